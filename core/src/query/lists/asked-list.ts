import type { Bitset, Catalog } from '../../catalog/index.js';
import type { Facet, ShownTime } from '../../structure/index.js';
import type { ListDesign } from './list-design.js';
import { designOfKind } from './list-design.js';

/** The listings of one kind that are in a list. */
export interface ListPart {
  readonly catalog: Catalog;
  /** The rows before anything is chosen; null for all that are on the site. */
  readonly rows: Bitset | null;
  readonly shows: ShownTime;
  /** How the list's facets are asked of this kind, by their keys; one that the kind lacks is not there. */
  readonly facets: ReadonlyMap<string, Facet>;
}

/** A list that is asked: the listings of one or several kinds that it holds before anything is chosen. */
export interface AskedList {
  readonly design: ListDesign;
  readonly parts: readonly ListPart[];
  /** The ids of a list that was picked by hand, in their order. */
  readonly picked: readonly number[] | null;
  /** Leaves out so many of the first ones in order, and shows at most so many of the rest. */
  readonly skip: number;
  /** Null for all. */
  readonly most: number | null;
}

/** The list of all listings of a catalog's kind, as the kind arranges it. */
export function listOfKind(catalog: Catalog): AskedList {
  const { kind } = catalog;
  const facets = new Map(kind.facets.map((facet) => [facet.key, facet]));
  return {
    design: designOfKind(kind),
    parts: [{ catalog, rows: null, shows: 'present', facets }],
    picked: null,
    skip: 0,
    most: null,
  };
}

/** How many of so many listings are shown, after skipping the first ones and cutting off the last ones. */
export function countShown({ skip, most }: Pick<AskedList, 'skip' | 'most'>, found: number): number {
  return Math.min(Math.max(0, found - skip), most ?? Infinity);
}
