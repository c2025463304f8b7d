import type { Catalog } from '../../catalog/index.js';
import { bestMatches } from '../../catalog/index.js';
import type { Point } from '../../values/index.js';
import { wordsOf } from '../../values/index.js';
import { placeColumnOf } from '../filters/points.js';

const MOST_LISTINGS = 5;
/** Two places that are nearer than that may be one. */
const NEAR_IN_METRES = 150;
/** So many of the last digits of a telephone number tell it from others: prefixes are written in many ways (common practice). */
const TELLING_DIGITS = 7;
/** This share of the words of a title has to stand in another one, which may have so many more. */
const SHARE_OF_WORDS = 0.7;
const MORE_WORDS = 2;

/** What is known of something that may be in a catalog already. */
export interface Newcomer {
  readonly title: string;
  readonly place: Point | null;
  readonly telephones: readonly string[];
}

export interface LikelySame {
  readonly id: number;
  readonly why: readonly ('title' | 'place' | 'telephone')[];
}

/** Listings that may be the one that has just come, those first for which most speaks; not those in the bin. */
export function likelySame(catalog: Catalog, newcomer: Newcomer): LikelySame[] {
  const why = new Map<number, LikelySame['why'][number][]>();
  const note = (rows: Iterable<number>, reason: LikelySame['why'][number]): void => {
    for (const row of rows) {
      if (catalog.statusAt(row) !== 'binned') why.set(row, [...(why.get(row) ?? []), reason]);
    }
  };
  note(ofTitle(catalog, newcomer.title), 'title');
  note(ofTelephones(catalog, newcomer.telephones), 'telephone');
  note(ofPlace(catalog, newcomer.place), 'place');
  const rows = [...why].sort(([a, x], [b, y]) => y.length - x.length || a - b);
  return rows.slice(0, MOST_LISTINGS).map(([row, reasons]) => ({ id: catalog.ids[row]!, why: reasons }));
}

function ofTitle(catalog: Catalog, title: string): number[] {
  const within = catalog.existing;
  const matches = catalog.text.search(title, { within, unfinished: false });
  if (!matches || matches.met < matches.wanted * SHARE_OF_WORDS) return [];
  const wanted = wordsOf(title);
  return bestMatches(matches, MOST_LISTINGS * 2).filter((row) => {
    const own = wordsOf(catalog.title.textAt(row) ?? '');
    const isAbout = wanted.length === 1 || own.some((word) => wanted.includes(word));
    return isAbout && own.length <= wanted.length + MORE_WORDS;
  });
}

function ofTelephones(catalog: Catalog, telephones: readonly string[]): number[] {
  const wanted = new Set(telephones.map(tellingDigits).filter((digits) => digits.length === TELLING_DIGITS));
  if (wanted.size === 0) return [];
  const found = new Set<number>();
  for (const { key, type } of catalog.kind.fields) {
    const column = type === 'phone' ? catalog.column(key) : undefined;
    if (column?.kind !== 'text') continue;
    catalog.existing.forEach((row) => {
      if (wanted.has(tellingDigits(column.textAt(row) ?? ''))) found.add(row);
    });
  }
  return [...found];
}

function tellingDigits(telephone: string): string {
  return telephone.replace(/\D/g, '').slice(-TELLING_DIGITS);
}

function ofPlace(catalog: Catalog, place: Point | null): number[] {
  const rows = place && placeColumnOf(catalog)?.rowsWithin(place, NEAR_IN_METRES);
  return rows ? [...rows.toRows()] : [];
}
