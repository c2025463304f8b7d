import { Injectable } from '@angular/core';
import type { DesignOfPage, FoundListings, KeptDraft, MissedOnPage, ServingPage } from '@plindo/core/contract';
import type { Explanation } from '@plindo/core/query';
import type { Observable } from 'rxjs';
import { fetched } from './fetched';

export { ListingSearch } from './listing-search';

/** What editors ask about pages while they look at the site. Like visitors, without Angular's client. */
@Injectable({ providedIn: 'root' })
export class EditorApi {
  /** Why a listing is not on the public list at an address, or where on it it is. */
  explain(url: string, listing: number): Observable<Explanation> {
    return fetched('/api/page/explain', { url, listing: String(listing) });
  }

  /** Which design made the page at an address. */
  design(url: string): Observable<DesignOfPage> {
    return fetched('/api/page/design', { url });
  }

  /** For each thing that is chosen on a public list, the listings that it alone keeps out. */
  missed(url: string): Observable<MissedOnPage[]> {
    return fetched('/api/page/missed', { url });
  }

  /** Designs that visitors do not see yet. */
  drafts(): Observable<KeptDraft[]> {
    return fetched('/api/drafts');
  }

  /** Which page serves a listing. */
  serving(listingId: number): Observable<ServingPage> {
    return fetched(`/api/listings/${listingId}/page`);
  }

  /** Listings of all kinds whose titles fit a text. */
  find(text: string): Observable<FoundListings> {
    return fetched('/api/find', { q: text });
  }
}
