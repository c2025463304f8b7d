import type { Bitset, Catalog, TextColumn } from '../../catalog/index.js';
import type { OrderKey } from '../../structure/index.js';
import { fieldOfSubject } from '../../structure/index.js';
import { textOrder } from '../../values/index.js';
import { cutPage } from './cut-page.js';
import { FoundRows } from './found-rows.js';
import type { OrderScene, Ranking } from '../order/rankings.js';
import { compareValues, rankingsOf } from '../order/rankings.js';

/** A row of one of several catalogs. */
export interface CatalogRow {
  readonly catalog: Catalog;
  readonly row: number;
}

/** Listings of one kind that are to be put in order together with others. */
export interface OrderedPart {
  readonly catalog: Catalog;
  readonly found: FoundRows;
  readonly order: OrderScene;
}

/** How listings of several kinds are put in order: by keys, or as they were picked by hand. */
export interface ListOrder {
  readonly keys: readonly OrderKey[];
  readonly picked: readonly number[] | null;
}

/** The rows from `offset` on, `limit` of them, in order. */
export function cutList(
  parts: readonly OrderedPart[],
  { keys, picked }: ListOrder,
  offset: number,
  limit: number,
): CatalogRow[] {
  if (picked) return pickedRows(parts, picked).slice(offset, offset + Math.max(0, limit));
  const [only, ...others] = parts;
  if (!only || limit <= 0) return [];
  const cut = ({ catalog, found, order }: OrderedPart, from: number, most: number): CatalogRow[] =>
    cutPage(found, catalog, rankingsOf(catalog, keys, order), from, most).map((row) => ({ catalog, row }));
  if (others.length === 0) return cut(only, offset, limit);
  // Of each kind, only as many first ones as the wanted page could hold.
  const candidates = parts.flatMap((part) => cut(part, 0, offset + limit));
  return candidates.sort(mergedOrder(keys, parts)).slice(offset, offset + limit);
}

/** The same parts with other rows of each, as they stand side by side. */
export function withRows(parts: readonly OrderedPart[], rows: readonly (Bitset | undefined)[]): OrderedPart[] {
  return parts.flatMap((part, at) => {
    const own = rows[at];
    return own ? [{ ...part, found: new FoundRows(own) }] : [];
  });
}

function pickedRows(parts: readonly OrderedPart[], picked: readonly number[]): CatalogRow[] {
  return [...new Set(picked)].flatMap((id) => {
    for (const { catalog, found } of parts) {
      const row = catalog.rowOf(id);
      if (row !== undefined && found.bits.has(row)) return [{ catalog, row }];
    }
    return [];
  });
}

interface MergedKey {
  readonly ranking: Ranking | undefined;
  readonly text: TextColumn | null;
}

/**
 * Compares rows of different catalogs by the same keys: numbers by value, texts by the locale. Ranks of texts and
 * positions of choices say nothing beyond their own catalog, so texts are compared themselves, and choices by position.
 */
function mergedOrder(
  keys: readonly OrderKey[],
  parts: readonly OrderedPart[],
): (a: CatalogRow, b: CatalogRow) => number {
  const compareTexts = textOrder(parts[0]?.catalog.place.locale ?? 'en');
  const keysOf = new Map<Catalog, readonly MergedKey[]>(
    parts.map(({ catalog, order }) => [
      catalog,
      keys.map((key) => ({ ranking: rankingsOf(catalog, [key], order)[0], text: textColumnOf(catalog, key) })),
    ]),
  );
  return (a, b) => {
    const [ofA, ofB] = [keysOf.get(a.catalog)!, keysOf.get(b.catalog)!];
    for (let at = 0; at < keys.length; at++) {
      const [own, other] = [ofA[at]!, ofB[at]!];
      const key = { isDown: keys[at]!.direction === 'down', missingFirst: keys[at]!.missing === 'first' };
      const [x, y] = [own.ranking?.at(a.row) ?? NaN, other.ranking?.at(b.row) ?? NaN];
      const isText = own.text !== null && other.text !== null && x === x && y === y;
      const texts = isText ? compareTexts(own.text!.textAt(a.row)!, other.text!.textAt(b.row)!) : 0;
      const compared = isText ? (key.isDown ? -texts : texts) : compareValues(key, x, y);
      if (compared !== 0) return compared;
    }
    return a.catalog.ids[a.row]! - b.catalog.ids[b.row]!;
  };
}

function textColumnOf(catalog: Catalog, { by }: OrderKey): TextColumn | null {
  const column = catalog.column(fieldOfSubject(by) ?? '');
  return column?.kind === 'text' ? column : null;
}
