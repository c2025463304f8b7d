import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { DesignOfPage, MissedOnPage } from '@plindo/core/contract';
import type { DesignedPage, PageModel } from '@plindo/core/page';
import type { Explanation } from '@plindo/core/query';
import type { Observable } from 'rxjs';

/** What editors ask about public pages. */
@Injectable({ providedIn: 'root' })
export class PagesApi {
  private readonly http = inject(HttpClient);

  /** The public page at an address, as somebody who has signed in sees it. */
  page(url: string): Observable<PageModel> {
    return this.http.get<PageModel>('/api/page', { params: { url } });
  }

  /** Titles of places that fit words that are being typed. */
  places(q: string): Observable<string[]> {
    return this.http.get<string[]>('/api/places', { params: { q } });
  }

  /** Why a listing is not on the public list at an address, or where on it it is. */
  explain(url: string, listing: number): Observable<Explanation> {
    return this.http.get<Explanation>('/api/page/explain', { params: { url, listing } });
  }

  /** Which design made the page at an address. */
  design(url: string): Observable<DesignOfPage> {
    return this.http.get<DesignOfPage>('/api/page/design', { params: { url } });
  }

  /** For each thing that is chosen on a public list, the listings that it alone keeps out. */
  missed(url: string): Observable<MissedOnPage[]> {
    return this.http.get<MissedOnPage[]>('/api/page/missed', { params: { url } });
  }

  /** The index page of a kind as visitors will see it, published or not. */
  preview(kindId: number, search: string): Observable<DesignedPage> {
    return this.http.get<DesignedPage>(`/api/kinds/${kindId}/preview`, { params: { search } });
  }
}
