import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Backups, CalendarView, MailWhole, MailWindow, ZoneEffects } from '@plindo/core/contract';
import type { CalendarEntry, ExpiryEffects } from '@plindo/core/listings';
import type { ListingNotice, MailText } from '@plindo/core/notices';
import type { ExpiryRule } from '@plindo/core/structure';
import type { Observable } from 'rxjs';

/** What a notice about a listing would say. */
export interface NoticeWording {
  readonly about: ListingNotice['about'];
  readonly subject: string;
  readonly text: string;
  readonly listing: number;
}

/** What runs by itself: listings that leave, mails, the calendar. */
@Injectable({ providedIn: 'root' })
export class RunApi {
  private readonly http = inject(HttpClient);

  /** What another rule, or none, would do to the listings of a kind. */
  planExpiry(kindId: number, expiry: ExpiryRule | null): Observable<ExpiryEffects> {
    return this.http.post<ExpiryEffects>(`/api/kinds/${kindId}/expiry/plan`, { expiry });
  }

  /** What happens by itself from a moment until before another one. */
  calendar(from: number, until: number): Observable<CalendarView> {
    return this.http.get<CalendarView>('/api/calendar', { params: { from, until } });
  }

  /** When the listings of a kind would leave by another rule. */
  whatIf(kindId: number, expiry: ExpiryRule | null, from: number, until: number): Observable<CalendarEntry[]> {
    return this.http.post<CalendarEntry[]>(`/api/kinds/${kindId}/expiry/what-if`, { expiry, from, until });
  }

  backups(): Observable<Backups> {
    return this.http.get<Backups>('/api/backups');
  }

  /** Begins a backup; it goes on afterwards. */
  beginBackup(): Observable<void> {
    return this.http.post<void>('/api/backups', {});
  }

  /** Gives the feed of the calendar a new secret address. */
  renewFeed(): Observable<{ path: string }> {
    return this.http.post<{ path: string }>('/api/calendar/feed', {});
  }

  closeFeed(): Observable<void> {
    return this.http.delete<void>('/api/calendar/feed');
  }

  /** The latest mails of the outbox, or those before one; those that have a text in them where one is given. */
  mails(text: string, before: number | null): Observable<MailWindow> {
    const params = { ...(text !== '' && { q: text }), ...(before !== null && { before }) };
    return this.http.get<MailWindow>('/api/mails', { params });
  }

  mail(id: number): Observable<MailWhole> {
    return this.http.get<MailWhole>(`/api/mails/${id}`);
  }

  /** The mail that another wording of a notice would make for a listing. */
  previewNotice(wording: NoticeWording): Observable<MailText> {
    return this.http.post<MailText>('/api/notices/preview', wording);
  }

  /** Sends that mail to whoever is signed in. */
  sendNotice(wording: NoticeWording): Observable<void> {
    return this.http.post<void>('/api/notices/send', wording);
  }

  /** What another zone of the site would do to listings that leave by a rule. */
  planZone(zone: string): Observable<ZoneEffects[]> {
    return this.http.post<ZoneEffects[]>('/api/site/zone/plan', { zone });
  }
}
