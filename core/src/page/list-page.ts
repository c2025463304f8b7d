import type { Listing } from '../listings/index.js';
import type { Query, QueryScene } from '../query/index.js';
import { BLANK_QUERY, countQuery, nearestDrop, runQuery } from '../query/index.js';
import { indexPage } from './build-pages.js';
import { CardMaker } from './cards/card-maker.js';
import { readLinked } from './cards/linked-listings.js';
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
export async function listPage(scene: PageScene, state: HeadedList, source: ListSource): Promise<IndexPage> {
  const { list, query, heading } = state;
  const { queries } = source;
  const result = runQuery(list, query, queries);
  const countOf = (other: Query): number => countQuery(list, other, queries);
  const drop = result.total === 0 ? nearestDrop(query, countOf) : null;
  const outOf = countOf(BLANK_QUERY);
  const read = (ids: readonly number[]): Promise<readonly Listing[]> => source.listings(ids);
  const listings = await read(result.ids);
  const maker = new CardMaker(scene, await readLinked(listings, scene, read));
  const input = { kind: list.kind, heading, query, result, listings, outOf, drop, queries, countOf, maker };
  return indexPage(scene, input);
}
