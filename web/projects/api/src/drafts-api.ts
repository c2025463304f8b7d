import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Changed, KeptDraft } from '@plindo/core/contract';
import type { Design } from '@plindo/core/design';
import type { UnplacedDesign } from '@plindo/core/plans';
import type { Observable } from 'rxjs';

/** Designs that visitors do not see yet. */
@Injectable({ providedIn: 'root' })
export class DraftsApi {
  private readonly http = inject(HttpClient);

  all(): Observable<KeptDraft[]> {
    return this.http.get<KeptDraft[]>('/api/drafts');
  }

  /** Begins a draft; `of` is the number of the design in whose place it will come, null for a new one. */
  add(sketch: UnplacedDesign, of: number | null): Observable<Changed<Design>> {
    return this.http.post<Changed<Design>>('/api/drafts', { ...sketch, of });
  }

  save({
    id,
    type,
    version,
    definition,
  }: Pick<Design, 'id' | 'type' | 'version' | 'definition'>): Observable<Changed<Design>> {
    return this.http.put<Changed<Design>>(`/api/drafts/${id}`, { type, version, definition });
  }

  remove(id: number): Observable<Changed<null>> {
    return this.http.delete<Changed<null>>(`/api/drafts/${id}`);
  }

  publish(ids: readonly number[]): Observable<Changed<Design[]>> {
    return this.http.post<Changed<Design[]>>('/api/drafts/publish', { ids });
  }

  /** Lets drafts be published by themselves at a moment (ISO 8601), or no more with null. */
  setMoment(ids: readonly number[], at: string | null): Observable<Changed<Design[]>> {
    return this.http.post<Changed<Design[]>>('/api/drafts/moment', { ids, at });
  }
}
