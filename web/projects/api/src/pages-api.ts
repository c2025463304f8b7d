import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { IndexPage, PageModel, SuggestionModel } from '@plindo/core/page';
import type { Observable } from 'rxjs';

/** Models of public pages. */
@Injectable({ providedIn: 'root' })
export class PagesApi {
  private readonly http = inject(HttpClient);

  /** The page at an address such as "/berths?facility=water". */
  page(url: string): Observable<PageModel> {
    return this.http.get<PageModel>('/api/page', { params: { url } });
  }

  /** What fits words that are being typed into the search of the index page at a path. */
  suggestions(path: string, q: string): Observable<SuggestionModel[]> {
    return this.http.get<SuggestionModel[]>('/api/suggestions', { params: { path, q } });
  }

  /** Titles of places that fit words that are being typed. */
  places(q: string): Observable<string[]> {
    return this.http.get<string[]>('/api/places', { params: { q } });
  }

  /** The index page of a kind as visitors will see it, published or not. */
  preview(kindId: number, search: string): Observable<IndexPage> {
    return this.http.get<IndexPage>(`/api/kinds/${kindId}/preview`, { params: { search } });
  }
}
