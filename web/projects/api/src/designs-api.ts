import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Changed, DesignSamples, DesignVersion, ServingPage, ServingTable } from '@plindo/core/contract';
import type { Design, KeptPage, StarterFile } from '@plindo/core/design';
import type { DesignedPage } from '@plindo/core/page';
import type { UnplacedDesign } from '@plindo/core/plans';
import type { Observable } from 'rxjs';

/** A page that is being designed, and what it is shown with. */
export interface DraftedPage extends Pick<KeptPage, 'kindId' | 'definition'> {
  readonly listingId?: number;
  /** Key of a category. */
  readonly category?: string;
  readonly search?: string;
}

/** Designs of what visitors see, and listings to try them with. */
@Injectable({ providedIn: 'root' })
export class DesignsApi {
  private readonly http = inject(HttpClient);

  all(): Observable<Design[]> {
    return this.http.get<Design[]>('/api/designs');
  }

  add(sketch: UnplacedDesign): Observable<Changed<Design>> {
    return this.http.post<Changed<Design>>('/api/designs', sketch);
  }

  save({ id, type, version, definition }: Omit<Design, 'position' | 'kindId'>): Observable<Changed<Design>> {
    return this.http.put<Changed<Design>>(`/api/designs/${id}`, { type, version, definition });
  }

  /** A page as it would be by a design that nobody has saved, with a listing, a category or a state of its lists. */
  preview(page: DraftedPage): Observable<DesignedPage> {
    return this.http.post<DesignedPage>('/api/designs/preview', page);
  }

  /** A design in a file as it can be taken. Refused with what is wrong in it. */
  checkStarterFile(document: unknown): Observable<StarterFile> {
    return this.http.post<StarterFile>('/api/starter-files/check', document);
  }

  makeMain(id: number): Observable<Changed<Design>> {
    return this.http.post<Changed<Design>>(`/api/designs/${id}/main`, {});
  }

  /** The states that a design had, the latest first. */
  versions(id: number): Observable<DesignVersion[]> {
    return this.http.get<DesignVersion[]>(`/api/designs/${id}/versions`);
  }

  remove(id: number): Observable<Changed<null>> {
    return this.http.delete<Changed<null>>(`/api/designs/${id}`);
  }

  /** Which page serves how many listings of a kind. */
  servingTable(kindId: number): Observable<ServingTable> {
    return this.http.get<ServingTable>(`/api/kinds/${kindId}/serving`);
  }

  /** Which page serves a listing, and why. */
  serving(listingId: number): Observable<ServingPage> {
    return this.http.get<ServingPage>(`/api/listings/${listingId}/page`);
  }

  order(ids: readonly number[]): Observable<Changed<null>> {
    return this.http.post<Changed<null>>('/api/designs/order', { ids });
  }

  samples(kindId: number): Observable<DesignSamples> {
    return this.http.get<DesignSamples>(`/api/kinds/${kindId}/samples`);
  }

  sample(listingId: number): Observable<DesignSamples> {
    return this.http.get<DesignSamples>(`/api/listings/${listingId}/sample`);
  }
}
