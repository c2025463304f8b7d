import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Changed, ExamplesSummary, PreviewedPage, SiteStarterSummary } from '@plindo/core/contract';
import type { BlueprintPlan } from '@plindo/core/exchange';
import type { Observable } from 'rxjs';

/** Whole sites to begin with, and the examples that they bring. */
@Injectable({ providedIn: 'root' })
export class StartersApi {
  private readonly http = inject(HttpClient);

  all(): Observable<SiteStarterSummary[]> {
    return this.http.get<SiteStarterSummary[]>('/api/site-starters');
  }

  /** The pages that a site would have that begins with a starter; making them takes some seconds. */
  preview(name: string): Observable<PreviewedPage[]> {
    return this.http.get<PreviewedPage[]>(`/api/site-starters/${name}/preview`);
  }

  take(name: string): Observable<Changed<BlueprintPlan>> {
    return this.http.post<Changed<BlueprintPlan>>(`/api/site-starters/${name}`, {});
  }

  examples(): Observable<ExamplesSummary> {
    return this.http.get<ExamplesSummary>('/api/examples');
  }

  throwExamplesAway(): Observable<Changed<ExamplesSummary>> {
    return this.http.delete<Changed<ExamplesSummary>>('/api/examples');
  }
}
