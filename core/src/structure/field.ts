import type { UnitCode } from '../values/index.js';
import type { FieldTypeName } from './field-types/names.js';

/** One of the values that a choice field offers. The key stands in listings and addresses, the label is read. */
export interface Choice {
  readonly key: string;
  readonly label: string;
}

/** In which order a date written with numbers gives day, month and year. */
export type DateOrder = 'ymd' | 'dmy' | 'mdy';

/** Every setting a field may have; which of them count is said by its type's `settings`. */
export interface FieldSettings {
  /** Least and greatest value, in the field's own unit (money: major units). */
  readonly least?: number;
  readonly greatest?: number;
  /** Most characters of a text. */
  readonly longest?: number;
  /** Most decimals of a number. */
  readonly decimals?: number;
  /** ISO 4217 code of a money field. */
  readonly currency?: string;
  /** Unit in which a measure is shown, and which a bare number is taken to be in. */
  readonly unit?: UnitCode;
  readonly choices?: readonly Choice[];
  readonly dateOrder?: DateOrder;
  /** Text shown before and after a value. */
  readonly before?: string;
  readonly after?: string;
}

/** A typed property of a kind. */
export interface Field {
  readonly key: string;
  readonly label: string;
  readonly type: FieldTypeName;
  readonly required: boolean;
  readonly help: string;
  readonly settings: FieldSettings;
  /** Shown as a column of the listing table. */
  readonly inTable: boolean;
  /** Shown as a labelled value on cards. */
  readonly onCard: boolean;
  /** 0 leaves the field out of the text search; higher weighs more. */
  readonly searchWeight: number;
}

/** A field with every property at its plain default but those given. */
export function makeField(given: Pick<Field, 'key' | 'label' | 'type'> & Partial<Field>): Field {
  return {
    required: false,
    help: '',
    settings: {},
    inTable: true,
    onCard: false,
    searchWeight: 0,
    ...given,
  };
}
