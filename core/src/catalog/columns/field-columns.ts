import type { Values } from '../../listings/index.js';
import type { Field } from '../../structure/index.js';
import { columnOf, fieldType } from '../../structure/index.js';
import { Bitset } from '../bitset.js';
import type { KeptChoices } from './choices-column.js';
import { ChoicesColumn } from './choices-column.js';
import type { KeptNumbers } from './number-column.js';
import { NumberColumn } from './number-column.js';
import { PlaceColumn } from './place-column.js';
import type { TextColumn } from './text-column.js';
import { YesNoColumn } from './yes-no-column.js';

/** What {@link FieldColumns} holds, to be kept; `values` as the column's kind has it, `filled` the words of a set of rows. */
export interface KeptField {
  readonly values: unknown;
  readonly ends: KeptNumbers | null;
  readonly own: KeptChoices | null;
  readonly filled: Uint32Array | null;
}

export type Column = NumberColumn | TextColumn | YesNoColumn | ChoicesColumn | PlaceColumn;

/** What the catalog keeps of the values of one field. */
export class FieldColumns {
  /** Null for a type whose values are not queried but for being there. */
  readonly values: Column | null;
  /** Where the values of a field of ranges end. */
  readonly ends: NumberColumn | null;
  /** The categories that listings have themselves, without those above them. */
  readonly own: ChoicesColumn | null;
  /** The rows that have a value, where {@link values} doesn't tell. */
  filled: Bitset | null;
  private readonly key: string;
  private readonly holds: (value: unknown) => boolean;
  private readonly valueOf: (value: unknown) => unknown;
  private readonly endOf: ((value: unknown) => number) | null;

  constructor(field: Field, capacity: number, textColumn: () => TextColumn) {
    this.key = field.key;
    const spec = columnOf(field);
    const keys = (field.settings.choices ?? []).map((choice) => choice.key);
    this.values = field.type === 'place' ? new PlaceColumn(capacity) : null;
    if (spec?.kind === 'number') this.values = new NumberColumn(capacity);
    if (spec?.kind === 'yes-no') this.values = new YesNoColumn(capacity);
    if (spec?.kind === 'text') this.values = textColumn();
    if (spec?.kind === 'choices') this.values = new ChoicesColumn(capacity, keys);
    this.filled = this.values ? null : new Bitset(capacity);
    this.own = field.type === 'categories' ? new ChoicesColumn(capacity, keys) : null;
    const endOf = spec?.kind === 'number' ? spec.endOf : undefined;
    this.ends = endOf ? new NumberColumn(capacity) : null;
    this.endOf = endOf ? (value) => endOf(value) : null;
    const type = fieldType(field.type);
    this.holds = (value) => type.holds(value);
    this.valueOf = spec ? (value) => spec.of(value) : (value) => value;
  }

  /** Takes the field's value of a listing; undefined, or what the type doesn't hold, is none. */
  put(row: number, values: Values): void {
    const value = values[this.key];
    const isThere = this.holds(value);
    this.filled?.put(row, isThere);
    // The column was made from the same spec as what it is given, so the kinds agree.
    const column = this.values as { put(row: number, value: unknown): void } | null;
    column?.put(row, isThere ? this.valueOf(value) : null);
    this.own?.put(row, isThere ? (value as readonly string[]) : null);
    if (this.endOf) this.ends?.put(row, isThere ? this.endOf(value) : null);
  }

  kept(): KeptField {
    return {
      values: this.values?.kept() ?? null,
      ends: this.ends?.kept() ?? null,
      own: this.own?.kept() ?? null,
      filled: this.filled?.words.slice() ?? null,
    };
  }

  /** Takes what was kept of the same field, of the same capacity; to be called on columns that are empty. */
  restore({ values, ends, own, filled }: KeptField): void {
    // The columns were made from the same field as those that were kept, so the kinds agree.
    (this.values as { restore(kept: unknown): void } | null)?.restore(values);
    if (ends) this.ends?.restore(ends);
    if (own) this.own?.restore(own);
    if (filled && this.filled) this.filled = new Bitset(this.filled.capacity, filled.slice());
  }

  grow(capacity: number): void {
    this.values?.grow(capacity);
    this.ends?.grow(capacity);
    this.own?.grow(capacity);
    this.filled = this.filled?.grown(capacity) ?? null;
  }
}
