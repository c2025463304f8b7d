import type { Listing } from '../listings/index.js';
import type { Query, QueryScene } from '../query/index.js';
import { BLANK_QUERY, countQuery, nearestDrop, runQuery } from '../query/index.js';
import { indexPage } from './build-pages.js';
import type { ListInState } from './explain-page.js';
import type { PageScene } from './frame.js';
import type { IndexPage } from './page-model.js';

/** A list in its state, and what stands above it. */
export interface HeadedList extends ListInState {
  readonly heading: string;
}

/** What the page of a list is filled with. */
export interface ListSource {
  readonly queries: QueryScene;
  /** The listings with these ids, in any order. */
  listings(ids: readonly number[]): Promise<readonly Listing[]>;
}

/** The page of a list in its state. */
export async function listPage(scene: PageScene, list: HeadedList, source: ListSource): Promise<IndexPage> {
  const { catalog, area, query, heading } = list;
  const { queries } = source;
  const kind = { ...catalog.kind, ...area.design };
  const result = runQuery(catalog, query, queries, area);
  const countOf = (other: Query): number => countQuery(catalog, other, queries, area);
  const drop = result.total === 0 ? nearestDrop(query, countOf) : null;
  const outOf = countOf(BLANK_QUERY);
  const listings = await source.listings(result.ids);
  return indexPage(scene, { kind, heading, query, result, listings, outOf, drop, queries, countOf });
}
