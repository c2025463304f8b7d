import { Injectable } from '@angular/core';
import type { ChosenCards, PageLink, PageModel, SuggestionModel } from '@plindo/core/page';
import type { Observable } from 'rxjs';
import { fetched } from './fetched';

/** What the pages of the site ask for. */
@Injectable({ providedIn: 'root' })
export class VisitorApi {
  /** The page at an address such as "/berths?facility=water"; for who has signed in with all drafts in their places. */
  page(url: string, showsDrafts = false): Observable<PageModel> {
    return fetched('/api/page', { url, ...(showsDrafts && { drafts: 'yes' }) });
  }

  /** What fits words that are being typed into the search of the index page at a path. */
  suggestions(path: string, area: string, q: string): Observable<SuggestionModel[]> {
    return fetched('/api/suggestions', { path, area, q });
  }

  /** Pages whose names are near to an address that leads nowhere. */
  near(url: string): Observable<PageLink[]> {
    return fetched('/api/page/near', { url });
  }

  /** The cards of listings that this browser keeps. */
  cards(ids: readonly number[]): Observable<ChosenCards> {
    return fetched('/api/cards', { of: ids.join(',') });
  }

  /** Titles of places that fit words that are being typed. */
  places(q: string): Observable<string[]> {
    return fetched('/api/places', { q });
  }
}
