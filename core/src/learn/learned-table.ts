import type { LearnAct } from './acts.js';

/**
 * How the cells of a column are told: words; a number of times; a share of 1; a day of the site, counted from 1970-01-01; a stretch in
 * days, with decimals.
 */
export type CellKind = 'words' | 'times' | 'share' | 'day' | 'days';

export interface LearnedColumn {
  readonly label: string;
  readonly kind: CellKind;
}

/** Null where there is nothing to tell. */
export type LearnedCell = string | number | null;

export interface LearnedRow {
  readonly cells: readonly LearnedCell[];
  /** Where the first cell leads; left out where it leads nowhere. */
  readonly link?: { readonly on: 'desk' | 'site'; readonly path: string };
  /** The listing that it is about, whose views over time can be told; left out for any other row. */
  readonly listing?: number;
  /** What can be done about it, the best first. */
  readonly acts?: readonly LearnAct[];
}

/** Under which heading a table stands. */
export type LearnGroup = 'views' | 'ways' | 'choices' | 'searches' | 'incoming' | 'designs';

/** Something that can be learned, as a table; a chart draws the same numbers. */
export interface LearnedTable {
  readonly key: string;
  readonly group: LearnGroup;
  readonly title: string;
  /** What its numbers count, in a sentence. */
  readonly says: string;
  /** What stands there when it has no rows. */
  readonly empty: string;
  /** By which of its columns, counted from 0, a chart draws it: where its labels stand, and the numbers. Null for no chart. */
  readonly chart: { readonly as: 'lines' | 'bars'; readonly label: number; readonly series: readonly number[] } | null;
  readonly columns: readonly LearnedColumn[];
  readonly rows: readonly LearnedRow[];
  /** How many rows there are in all; {@link rows} are the first ones of them. */
  readonly total: number;
}

/** A table before its rows are made, of which there may be many more than are shown. */
export interface WholeTable extends Omit<LearnedTable, 'rows'> {
  /** Its first rows. */
  readonly first: (most: number) => readonly LearnedRow[];
}

/** A table with a row for each of some things in order. */
export function learnedTable<T>(
  told: Omit<LearnedTable, 'rows' | 'total'>,
  all: readonly T[],
  rowOf: (one: T) => LearnedRow,
): WholeTable {
  return { ...told, total: all.length, first: (most) => all.slice(0, most).map(rowOf) };
}

/** A table with its first rows, or with all of them. */
export function withRows({ first, ...told }: WholeTable, most = Infinity): LearnedTable {
  return { ...told, rows: first(most) };
}

export const words = (label: string): LearnedColumn => ({ label, kind: 'words' });
export const times = (label: string): LearnedColumn => ({ label, kind: 'times' });
export const share = (label: string): LearnedColumn => ({ label, kind: 'share' });
export const day = (label: string): LearnedColumn => ({ label, kind: 'day' });
export const days = (label: string): LearnedColumn => ({ label, kind: 'days' });

/** The column of the period that is compared with has one name everywhere. */
export const BEFORE = times('Before');
