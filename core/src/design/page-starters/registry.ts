import type { Kind } from '../../structure/index.js';
import { businessPage } from './business-page.js';
import { cardsAndFacets } from './cards-and-facets.js';
import { comingDates } from './coming-dates.js';
import { dataSheet } from './data-sheet.js';
import { datePage } from './date-page.js';
import { mapAndList } from './map-and-list.js';
import type { PageStarter } from './page-starter.js';
import { pageFit } from './page-starter.js';
import { personPage } from './person-page.js';
import { picturesFirst } from './pictures-first.js';
import { portraits } from './portraits.js';
import { priceBeside } from './price-beside.js';
import { searchableTable } from './searchable-table.js';

/** The pages to begin with: those of listings, then those of lists. */
export const PAGE_STARTERS: readonly PageStarter[] = [
  ...[picturesFirst, priceBeside, datePage, personPage, businessPage, dataSheet],
  ...[cardsAndFacets, searchableTable, mapAndList, comingDates, portraits],
];

/** The pages to begin with for a purpose, those first that fit a kind best. */
export function pageStartersFor(kind: Kind, serves: PageStarter['serves']): PageStarter[] {
  const offered = PAGE_STARTERS.filter((starter) => starter.serves === serves);
  const fits = new Map(offered.map((starter) => [starter, pageFit(starter, kind)]));
  return [...offered].sort((a, b) => fits.get(b)! - fits.get(a)!);
}
