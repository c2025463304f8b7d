import type { Field } from '../../structure/index.js';
import type { Conventions, FoundConventions } from '../conventions/conventions.js';

/** What becomes of a column: a built-in part, a field, half of a place, or nothing. */
export type ColumnUse = 'title' | 'summary' | 'slug' | 'field' | 'latitude' | 'longitude' | 'nothing';

/** How the cells of a column are read. */
export interface CellReading extends Conventions {
  /** What parts the entries of a list in a cell; null for no list. */
  readonly separator: string | null;
  /** Whether an empty cell means no. */
  readonly blankIsNo: boolean;
  /** Cells that hold one of these words are empty. */
  readonly emptyWords: readonly string[];
}

export interface ColumnPlan {
  /** Position of the column in the file, from 0. */
  readonly column: number;
  readonly header: string;
  readonly use: ColumnUse;
  /** Key of the field that it fills, for a field and for the halves of a place. */
  readonly fieldKey: string | null;
  readonly reading: CellReading;
  /** What speaks for the use, and against it if anything does. */
  readonly reason: string;
  readonly against: string;
  /** What nothing in the file tells: how its numbers, or its dates, are meant. */
  readonly doubt: 'numbers' | 'dates' | null;
  /** How many cells hold a word that is taken for nothing. */
  readonly emptied: number;
  /** Whether a person has decided what becomes of it. */
  readonly isChosen: boolean;
}

/** How a file is to become listings: how it is written, which column goes where, and the fields that are made for it. */
export interface ImportPlan {
  readonly columns: readonly ColumnPlan[];
  readonly fields: readonly Field[];
  readonly conventions: FoundConventions;
}
