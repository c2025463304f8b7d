/**
 * What a page is for: the front page, one with an address of its own, the list of a kind, what of it is in a category, or
 * the page of its listings.
 */
export const PAGE_PURPOSES = ['home', 'free', 'index', 'category', 'listing'] as const;
export type PagePurpose = (typeof PAGE_PURPOSES)[number];

/** Whether a page belongs to a kind: to its list, to what of it is in a category, or to its listings. */
export function isOfKind(page: { readonly serves: PagePurpose }): boolean {
  return isOfList(page) || page.serves === 'listing';
}

/** Whether a page is about a list. */
export function isOfList({ serves }: { readonly serves: PagePurpose }): boolean {
  return serves === 'index' || serves === 'category';
}
