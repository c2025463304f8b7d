import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Comparison, LearnReport, LearnedTable } from '@plindo/core/learn';
import type { Observable } from 'rxjs';

/** Which report is asked for; days of the site as 2026-12-04, both in. */
export interface LearnAsk {
  readonly from: string;
  readonly to: string;
  readonly against: Comparison;
  /** Left out for all. */
  readonly kind?: number;
  readonly listing?: number;
}

/** What visitors look at, choose and search. */
@Injectable({ providedIn: 'root' })
export class LearnApi {
  private readonly http = inject(HttpClient);

  report(ask: LearnAsk): Observable<LearnReport> {
    return this.http.get<LearnReport>('/api/learn', { params: { ...ask } });
  }

  /** One table with all its rows. */
  table(key: string, ask: LearnAsk): Observable<LearnedTable> {
    return this.http.get<LearnedTable>(`/api/learn/${encodeURIComponent(key)}`, { params: { ...ask } });
  }

  /** Forgets for good all that was counted. */
  eraseAll(): Observable<void> {
    return this.http.delete<void>('/api/views');
  }
}
