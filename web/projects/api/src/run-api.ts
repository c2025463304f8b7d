import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { MailWhole, MailWindow, ZoneEffects } from '@plindo/core/contract';
import type { ExpiryEffects } from '@plindo/core/listings';
import type { ExpiryRule } from '@plindo/core/structure';
import type { Observable } from 'rxjs';

/** What runs by itself: listings that leave, mails, the calendar. */
@Injectable({ providedIn: 'root' })
export class RunApi {
  private readonly http = inject(HttpClient);

  /** What another rule, or none, would do to the listings of a kind. */
  planExpiry(kindId: number, expiry: ExpiryRule | null): Observable<ExpiryEffects> {
    return this.http.post<ExpiryEffects>(`/api/kinds/${kindId}/expiry/plan`, { expiry });
  }

  /** The latest mails of the outbox, or those before one; those that have a text in them where one is given. */
  mails(text: string, before: number | null): Observable<MailWindow> {
    const params = { ...(text !== '' && { q: text }), ...(before !== null && { before }) };
    return this.http.get<MailWindow>('/api/mails', { params });
  }

  mail(id: number): Observable<MailWhole> {
    return this.http.get<MailWhole>(`/api/mails/${id}`);
  }

  /** What another zone of the site would do to listings that leave by a rule. */
  planZone(zone: string): Observable<ZoneEffects[]> {
    return this.http.post<ZoneEffects[]>('/api/site/zone/plan', { zone });
  }
}
