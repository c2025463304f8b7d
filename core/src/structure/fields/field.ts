import type { UnitCode } from '../../values/index.js';
import type { Condition } from '../conditions/condition.js';
import type { FieldTypeName } from '../field-types/names.js';
import type { Picture } from './picture.js';

/** One of the values that a choice field offers. The key stands in listings and addresses, the label is read. */
export interface Choice {
  readonly key: string;
  readonly label: string;
  /** Of a category: the one it lies under, what its set says of it, and the keys of those merged into it. */
  readonly parent?: string;
  readonly icon?: string;
  readonly colour?: string;
  readonly text?: string;
  readonly picture?: Picture;
  readonly formerKeys?: readonly string[];
}

/** In which order a date written with numbers gives day, month and year. */
export type DateOrder = 'ymd' | 'dmy' | 'mdy';

/** The types that the result of a computed field can have; it is kept in memory, shown and sorted like a field of that type. */
export const COMPUTED_RESULTS = ['decimal', 'measure', 'money', 'short-text', 'yes-no'] as const;
export type ComputedResult = (typeof COMPUTED_RESULTS)[number];

/** What the two ends of a range are. */
export const RANGE_ENDS = ['decimal', 'whole-number', 'money', 'measure', 'date', 'date-time', 'time-of-day'] as const;
export type RangeEnds = (typeof RANGE_ENDS)[number];

export type LinkSide = 'a' | 'b';

/** What a field that is an end of a link needs to know; put in when the kind is read. */
export interface LinkedField {
  /** The kind at the other end. */
  readonly kindId: number;
  /** Whether one listing may be connected with many of the other kind. */
  readonly many: boolean;
  readonly hasNotes: boolean;
}

/** Every setting a field may have; which of them count is said by its type's `settings`. */
export interface FieldSettings {
  /**
   * Least and greatest value: a number in the field's own unit (money: major units), a date or time as text, or a
   * relative bound such as "this year + 1" or "today + 30 days".
   */
  readonly least?: number | string;
  readonly greatest?: number | string;
  /** Values count in steps of this from the least one, or from 0. */
  readonly step?: number;
  /** Fewest and most characters of a text. */
  readonly shortest?: number;
  readonly longest?: number;
  /** How a text has to look: # is a digit, @ a letter, * either, anything else itself. Of a reference number: # counts. */
  readonly pattern?: string;
  /** Most decimals of a number. */
  readonly decimals?: number;
  /** ISO 4217 code of a money field. */
  readonly currency?: string;
  /** Unit in which a measure is shown, and which a bare number is taken to be in. */
  readonly unit?: UnitCode;
  readonly choices?: readonly Choice[];
  /** Number of the link that a link field is an end of, and which end; what it needs to know of it is put in. */
  readonly link?: number;
  readonly side?: LinkSide;
  readonly linked?: LinkedField;
  /** Number of the category set of a field of categories. Its choices are put in when the kind is read. */
  readonly set?: number;
  readonly dateOrder?: DateOrder;
  /** How many stars a rating has at most. */
  readonly stars?: number;
  /** What the ends of a range are. */
  readonly ends?: RangeEnds;
  /** Subfields of a group or of rows. */
  readonly fields?: readonly Field[];
  /** Fewest and most entries: rows, pictures. */
  readonly fewest?: number;
  readonly most?: number;
  /** What a computed field is worked out from, over the keys of other fields: `price * 7`. */
  readonly expression?: string;
  readonly result?: ComputedResult;
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
  /** Shown in an empty control. */
  readonly placeholder: string;
  /** What a new listing begins with, as it would be typed; null for nothing. */
  readonly default: unknown;
  /** No two listings of the kind have the same value. */
  readonly unique: boolean;
  /** Key of the section of the form that it stands in; '' for the first part. */
  readonly section: string;
  /** Asked for and shown only when this holds; null for always. */
  readonly showWhen: Condition | null;
  readonly settings: FieldSettings;
  /** Shown as a column of the listing table, and changed there. */
  readonly inTable: boolean;
  readonly editInTable: boolean;
  /** 0 leaves the field out of the text search; higher weighs more. */
  readonly searchWeight: number;
}

/** What has to be said of a field; the rest has defaults, in the subfields too. */
export interface FieldSketch extends Partial<Omit<Field, 'key' | 'label' | 'type' | 'settings'>> {
  readonly key: string;
  readonly label: string;
  readonly type: FieldTypeName;
  readonly settings?: Omit<FieldSettings, 'fields'> & { readonly fields?: readonly FieldSketch[] };
}

/** A field with every property at its plain default but those given. */
export function makeField(given: FieldSketch): Field {
  const defaults: Omit<Field, 'key' | 'label' | 'type'> = {
    required: false,
    help: '',
    placeholder: '',
    default: null,
    unique: false,
    section: '',
    showWhen: null,
    settings: {},
    inTable: true,
    editInTable: true,
    searchWeight: 0,
  };
  const { fields, ...settings } = withoutUndefined(given.settings ?? {});
  const inner = fields && { fields: fields.map(makeField) };
  const known = Object.entries(given).filter(([key]) => Object.hasOwn(defaults, key));
  const { key, label, type } = given;
  return {
    ...{ key, label, type },
    ...defaults,
    ...withoutUndefined(Object.fromEntries(known)),
    settings: { ...settings, ...inner },
  };
}

/** A copy without the properties that are undefined, so that defaults show through. */
export function withoutUndefined<T extends object>(given: T): T {
  return Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)) as T;
}
