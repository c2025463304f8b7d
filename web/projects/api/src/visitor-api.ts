import { Injectable } from '@angular/core';
import type { PageLink, PageModel, SuggestionModel } from '@plindo/core/page';
import type { Observable } from 'rxjs';
import { fromFetch } from 'rxjs/fetch';

/**
 * What the pages of the site ask for. By the browser's own means, so that visitors needn't fetch Angular's client, which
 * can do much that no visitor needs.
 */
@Injectable({ providedIn: 'root' })
export class VisitorApi {
  /** The page at an address such as "/berths?facility=water". */
  page(url: string): Observable<PageModel> {
    return get('/api/page', { url });
  }

  /** What fits words that are being typed into the search of the index page at a path. */
  suggestions(path: string, area: string, q: string): Observable<SuggestionModel[]> {
    return get('/api/suggestions', { path, area, q });
  }

  /** Pages whose names are near to an address that leads nowhere. */
  near(url: string): Observable<PageLink[]> {
    return get('/api/page/near', { url });
  }

  /** Titles of places that fit words that are being typed. */
  places(q: string): Observable<string[]> {
    return get('/api/places', { q });
  }
}

/** Ends with an error where the answer is none. */
function get<Of>(path: string, params: Readonly<Record<string, string>>): Observable<Of> {
  return fromFetch(`${path}?${new URLSearchParams(params).toString()}`, {
    async selector(response) {
      if (!response.ok) throw new Error(`${path} was answered with ${response.status}.`);
      return (await response.json()) as Of;
    },
  });
}
