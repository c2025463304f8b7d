import type { Catalog } from '../../catalog/index.js';
import { meets } from '../../catalog/index.js';
import type { Point } from '../../values/index.js';
import { wordsOf } from '../../values/index.js';
import { placeColumnOf } from '../filters/points.js';

const MOST_LISTINGS = 5;
/** Two places that are nearer than that may be one. */
const NEAR_IN_METRES = 150;
/** So many of the last digits of a telephone number tell it from others: prefixes are written in many ways (common practice). */
const TELLING_DIGITS = 7;
/** This share of the words of a title, two of three, has to stand in another one, which may have so many more. */
const SHARE_OF_WORDS = 0.65;
const MORE_WORDS = 2;
/** Words of a title beyond that tell nothing more. */
const MOST_WORDS = 12;

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

/** Rows of which the title has most of the words, with typos too, and few others. */
function ofTitle(catalog: Catalog, title: string): number[] {
  const wanted = [...new Set(wordsOf(title))].slice(0, MOST_WORDS);
  const needed = Math.ceil(wanted.length * SHARE_OF_WORDS);
  const metBy = (row: number): number => {
    const own = wordsOf(catalog.title.textAt(row) ?? '');
    if (own.length > wanted.length + MORE_WORDS) return 0;
    return wanted.filter((word) => own.some((one) => meets(word, one, false) > 0)).length;
  };
  const alike = [...rowsOfRarest(catalog, wanted, wanted.length - needed + 1)]
    .map((row) => ({ row, met: metBy(row) }))
    .filter(({ met }) => met > 0 && met >= needed);
  return alike.sort((a, b) => b.met - a.met || a.row - b.row).map(({ row }) => row);
}

/** Whatever has all but so many of the words, less one, has one of so many that fewest rows have. */
function rowsOfRarest(catalog: Catalog, words: readonly string[], count: number): Set<number> {
  const within = catalog.existing;
  // Each is copied: it holds only until the next search.
  const found = words.map((word) => catalog.text.search(word, { within, unfinished: false })?.rows.slice() ?? []);
  const rarest = found.sort((a, b) => a.length - b.length).slice(0, count);
  return new Set(rarest.flatMap((rows) => [...rows]));
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
