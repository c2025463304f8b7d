import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  Changed,
  JustMissing,
  ListingInSelection,
  SelectionPreview,
  SelectionSummary,
} from '@plindo/core/contract';
import type { Explanation } from '@plindo/core/query';
import type { Selection, SelectionDefinition } from '@plindo/core/structure';
import type { Observable } from 'rxjs';

/** Saved selections, what they give, and why. */
@Injectable({ providedIn: 'root' })
export class SelectionsApi {
  private readonly http = inject(HttpClient);

  all(): Observable<SelectionSummary[]> {
    return this.http.get<SelectionSummary[]>('/api/selections');
  }

  add(definition: SelectionDefinition): Observable<Changed<Selection>> {
    return this.http.post<Changed<Selection>>('/api/selections', definition);
  }

  save({ id, ...definition }: Selection): Observable<Changed<Selection>> {
    return this.http.put<Changed<Selection>>(`/api/selections/${id}`, definition);
  }

  remove(id: number): Observable<Changed<null>> {
    return this.http.delete<Changed<null>>(`/api/selections/${id}`);
  }

  /** What a selection would give, whatever it will be called. */
  preview(selection: SelectionDefinition): Observable<SelectionPreview> {
    return this.http.post<SelectionPreview>('/api/selections/preview', { selection });
  }

  missing(selection: SelectionDefinition): Observable<JustMissing[]> {
    return this.http.post<JustMissing[]>('/api/selections/missing', { selection });
  }

  /** Where in each selection of its kind a listing is, or why it isn't. */
  ofListing(id: number): Observable<ListingInSelection[]> {
    return this.http.get<ListingInSelection[]>(`/api/listings/${id}/selections`);
  }

  explain(selection: SelectionDefinition, listing: number): Observable<Explanation> {
    return this.http.post<Explanation>('/api/selections/explain', { selection, listing });
  }
}
