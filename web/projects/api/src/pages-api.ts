import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { DesignedPage, PageModel } from '@plindo/core/page';
import type { Observable } from 'rxjs';

/** What editors ask about public pages. */
@Injectable({ providedIn: 'root' })
export class PagesApi {
  private readonly http = inject(HttpClient);

  /** The public page at an address, as somebody who has signed in sees it. */
  page(url: string): Observable<PageModel> {
    return this.http.get<PageModel>('/api/page', { params: { url } });
  }

  /** The same with all drafts in their places. */
  draftedPage(url: string): Observable<PageModel> {
    return this.http.get<PageModel>('/api/page', { params: { url, drafts: 'yes' } });
  }

  /** Titles of places that fit words that are being typed. */
  places(q: string): Observable<string[]> {
    return this.http.get<string[]>('/api/places', { params: { q } });
  }

  /** The index page of a kind as visitors will see it, published or not. */
  preview(kindId: number, search: string): Observable<DesignedPage> {
    return this.http.get<DesignedPage>(`/api/kinds/${kindId}/preview`, { params: { search } });
  }
}
