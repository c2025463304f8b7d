import type { Picture } from '../structure/index.js';

/** A link of the menu, the footer or a way. */
export interface PageLink {
  readonly label: string;
  readonly href: string;
}

/** An entry of the menu; one that opens further ones may lead nowhere by itself. */
export interface MenuItem extends PageLink {
  readonly below: readonly PageLink[];
}

/** What stands above every page. */
export interface HeaderModel {
  readonly logo: Picture | null;
  readonly menu: readonly MenuItem[];
  /** Where the search of it leads, and what it is called. */
  readonly search: PageLink | null;
  /** Where the visitor's shortlist is; null for a site that leads nobody there. */
  readonly shortlist: PageLink | null;
}

/** What stands below every page. */
export interface FooterModel {
  readonly columns: readonly { readonly heading: string; readonly html: string; readonly links: readonly PageLink[] }[];
  readonly line: string;
}
