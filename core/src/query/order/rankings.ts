import type { Bitset, Catalog, SortedRows, TextMatches } from '../../catalog/index.js';
import { NO_RANK } from '../../catalog/index.js';
import type { OrderKey } from '../../structure/index.js';
import { fieldOfSubject } from '../../structure/index.js';
import { dayNumberAt } from '../../time/index.js';
import type { Near } from './distances.js';
import { distancesFrom } from './distances.js';
import type { QueryScene } from '../filters/scene.js';

/** One key of an order over the rows of a catalog. */
export interface Ranking {
  /** The number that is compared for a row; NaN for a missing value. */
  readonly at: (row: number) => number;
  readonly isDown: boolean;
  readonly missingFirst: boolean;
  /** The rows that have a value in its order, where the catalog keeps them; and whether two have the same value. */
  readonly sorted?: { readonly rows: () => SortedRows; readonly isSame: (a: number, b: number) => boolean };
  /** The rows for which {@link at} is 1, where it is 1 or 0. */
  readonly ones?: Bitset;
}

/** What keys of an order refer to beside the catalog. */
export interface OrderScene {
  readonly scene: QueryScene;
  readonly matches: TextMatches | null;
  /** The point that distances are told from. */
  readonly near: Near | null;
}

type Values = Pick<Ranking, 'at' | 'sorted' | 'ones'>;

/** The keys of an order, ready to compare rows. */
export function rankingsOf(catalog: Catalog, keys: readonly OrderKey[], order: OrderScene): Ranking[] {
  return keys.flatMap((key) => {
    const values = valuesOf(catalog, key, order);
    // A key of which no listing has a value puts nothing in order.
    return values ? [{ ...values, isDown: key.direction === 'down', missingFirst: key.missing === 'first' }] : [];
  });
}

function valuesOf(catalog: Catalog, { by }: OrderKey, { scene, matches, near }: OrderScene): Values | null {
  const { nowInMs, zone } = scene.context;
  switch (by) {
    case '@featured': {
      const ones = catalog.featuredAt(nowInMs);
      return { at: (row) => (ones.has(row) ? 1 : 0), ones };
    }
    case '@status':
      return { at: (row) => catalog.statuses[row]! };
    case 'relevance': {
      if (!matches) return null;
      const scores = matches.scores();
      return { at: (row) => scores[row]! };
    }
    case 'shuffled': {
      const day = dayNumberAt(nowInMs, zone);
      return { at: (row) => shuffledRank(catalog.ids[row]!, day) };
    }
    case 'distance': {
      const at = near && distancesFrom(near, catalog, scene);
      return at && { at };
    }
    default:
      return valuesOfColumn(catalog, fieldOfSubject(by) ?? '');
  }
}

function valuesOfColumn(catalog: Catalog, key: string): Values | null {
  const column = catalog.column(key);
  switch (column?.kind) {
    case 'number': {
      const { values } = column;
      if (column.changesOften) return { at: (row) => values[row]! };
      const isSame = (a: number, b: number): boolean => values[a] === values[b];
      return { at: (row) => values[row]!, sorted: { rows: () => column.sortedRows(), isSame } };
    }
    case 'text': {
      let ranks: Uint32Array | null = null;
      return {
        at(row) {
          const rank = (ranks ??= column.rankByRow())[row]!;
          return rank === NO_RANK ? NaN : rank;
        },
        sorted: { rows: () => column.sortedRows(), isSame: (a, b) => column.isSame(a, b) },
      };
    }
    case 'yes-no':
      return { at: (row) => column.values[row]! || NaN };
    case 'choices':
      // Choices are numbered in their defined order, and a listing's own stand in it too.
      return { at: (row) => column.firstAt(row) };
    default:
      return null;
  }
}

/** A number that is as good as drawn by lot for a listing, and the same all day. (The mixing steps of MurmurHash3.) */
function shuffledRank(id: number, day: number): number {
  let mixed = Math.imul(id ^ Math.imul(day, 0x9e3779b1), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  return (mixed ^ (mixed >>> 16)) >>> 0;
}

/** Compares two rows by all keys, and by the listings' ids at last, so that an order is total. */
export function rowOrder(catalog: Catalog, keys: readonly Ranking[]): (a: number, b: number) => number {
  const { ids } = catalog;
  return (a, b) => {
    for (const key of keys) {
      const compared = compareValues(key, key.at(a), key.at(b));
      if (compared !== 0) return compared;
    }
    return ids[a]! - ids[b]!;
  };
}

/** Missing values go last in both directions unless the key says first. */
export function compareValues(
  { isDown, missingFirst }: Pick<Ranking, 'isDown' | 'missingFirst'>,
  x: number,
  y: number,
): number {
  if (x === y) return 0;
  const [noX, noY] = [x !== x, y !== y];
  if (noX || noY) return noX === noY ? 0 : noX === missingFirst ? -1 : 1;
  return isDown ? y - x : x - y;
}
