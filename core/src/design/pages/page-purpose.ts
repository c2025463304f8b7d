/**
 * What a page is for: the home page, one with an address of its own, the list of a kind or of a selection, what of a kind
 * is in a category, the page of its listings, that of what a visitor keeps; or no page, but a part that stands on others.
 */
export const PAGE_PURPOSES = ['home', 'free', 'index', 'category', 'listing', 'shortlist', 'part'] as const;
export type PagePurpose = (typeof PAGE_PURPOSES)[number];

/** Whether a page belongs to a kind: to its list, to what of it is in a category, or to its listings; a part may do so. */
export function mayBeOfKind(page: PurposeOfPage, isOfOne: boolean): boolean {
  if (page.serves === 'part') return true;
  return isOfOne === ((isOfList(page) && page.selection === 0) || page.serves === 'listing');
}

interface PurposeOfPage {
  readonly serves: PagePurpose;
  /** Number of the selection whose list it is about; 0 for none. */
  readonly selection: number;
}

/** Whether a page is about a list. */
export function isOfList({ serves }: { readonly serves: PagePurpose }): boolean {
  return serves === 'index' || serves === 'category';
}
