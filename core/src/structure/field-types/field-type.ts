import type { Formats, Result } from '../../values/index.js';
import { issue, refuse } from '../../values/index.js';
import type { Field, FieldSettings } from '../fields/field.js';
import type { FacetControl } from '../facets/facet.js';
import type { FieldTypeName } from './names.js';
import type { ColumnSample, Proposal } from './proposal.js';
import type { ReadContext } from './read-context.js';

/** The controls a value is edited with; the Desk has one component for each. */
export type EditControl =
  | 'line'
  | 'area'
  | 'rich-text'
  | 'number'
  | 'yes-no'
  | 'one-choice'
  | 'several-choices'
  | 'categories'
  | 'date'
  | 'date-time'
  | 'time'
  | 'colour'
  | 'rating'
  | 'range'
  | 'picture'
  | 'pictures'
  | 'file'
  | 'place'
  | 'link'
  | 'group'
  | 'rows'
  | 'none';

/** How the catalog keeps a field's values. Numbers carry how a bound stands in an address. */
export type ColumnSpec<Value> =
  | {
      readonly kind: 'number';
      of(value: Value): number;
      /** Where a value that is a span ends; {@link of} says where it begins. */
      endOf?(value: Value): number;
      /** What the numbers count, where they are times: days since 1970, or milliseconds. */
      readonly time?: 'days' | 'moments';
      /** A bound as visitors type it, in the field's own unit; null when it isn't one. */
      boundFromText(text: string, field: Field): number | null;
      boundToText(bound: number, field: Field): string;
      formatBound(bound: number, field: Field, formats: Formats): string;
    }
  | { readonly kind: 'text'; of(value: Value): string }
  | { readonly kind: 'yes-no'; of(value: Value): boolean }
  | { readonly kind: 'choices'; of(value: Value): readonly string[] };

/**
 * All that Plindo knows about one type of field. A new type is one new file with such an object, named in the registry;
 * forms, table, import, facets and cards find it there.
 */
export interface FieldType<Value> {
  /** How people call it, after "a" or "an": "whole number". */
  readonly label: string;
  readonly icon: string;
  readonly control: EditControl;
  readonly inputType?: 'text' | 'email' | 'url' | 'tel';
  /** Which settings a field of this type heeds. */
  readonly settings: readonly (keyof FieldSettings)[];
  /** Whether a value can be changed in place in the table. */
  readonly short: boolean;
  /** Whether it can be a subfield of a group or of rows; yes unless told otherwise. */
  readonly nests?: boolean;
  /** Says what is wrong with a field's settings, or null. */
  checkSettings?(field: Field): string | null;
  /**
   * Reads a value from JSON or from text as typed; null for an empty one. What it returns is normalised: reading it
   * again gives the same. Bounds and length are checked here too.
   */
  read(input: unknown, field: Field, context: ReadContext): Result<Value | null>;
  /**
   * Whether something has the form of a value of this type. What lies in the store was read by the type that its field
   * had at the time; a field that was replaced since must not break a page.
   */
  holds(value: unknown): value is Value;
  /** The value as text that {@link read} takes back unchanged; for table cells and CSV. */
  toText(value: Value, field: Field): string;
  /** The value as a person of the context's zone types it; {@link read} takes it back. Absent where toText serves. */
  toInput?(value: Value, field: Field, context: ReadContext): string;
  /** The value for readers, with unit and in the locale's manner; without the label. */
  format(value: Value, field: Field, formats: Formats): string;
  /** Null for values that nobody can ask about. */
  readonly column: ColumnSpec<Value> | null;
  /** The controls with which visitors can choose among its values, the likeliest first. */
  readonly facets: readonly FacetControl[];
  /** The column, for a type where it depends on the field's settings. */
  columnFor?(field: Field): ColumnSpec<Value> | null;
  /** The field whose values this one has, column and facet included; of a computed field, that of its result. */
  standsFor?(field: Field): Field;
  /** The values inside a value of parts, each with its field: what pages and histories show one by one. */
  parts?(value: Value, field: Field): readonly FieldValue[][];
  /** What the text search reads of a value; absent when there is nothing to find. */
  words?(value: Value, field: Field): string;
  /** Whether a column of a file looks like this type, and what speaks for it. */
  propose?(sample: ColumnSample): Proposal | null;
}

/** The controls over anything that has a list of values. */
export const CHOICE_CONTROLS: readonly FacetControl[] = ['ticks', 'chips', 'drop-down'];

/** A value with the field that it is of. */
export interface FieldValue {
  readonly field: Field;
  readonly value: unknown;
}

/** How a type made of other types gets at them; handed in, as the registry knows all types. */
export type TypeOf = (name: FieldTypeName) => FieldType<unknown>;

/** Whether an input stands for "no value". */
export function isEmptyInput(input: unknown): boolean {
  return input === null || input === undefined || (typeof input === 'string' && input.trim() === '');
}

/** {@link FieldType.holds} of the types that are kept as a text. */
export function isText(value: unknown): value is string {
  return typeof value === 'string';
}

/** {@link FieldType.holds} of the types that are kept as a number. */
export function isNumber(value: unknown): value is number {
  return typeof value === 'number';
}

/** An input as a message can quote it. */
export function inputText(input: unknown): string {
  return typeof input === 'string' ? input : (JSON.stringify(input) ?? String(input));
}

/** Says that a value is not what a field holds: `value.type`. */
export function wrongType<T>(field: Field, wanted: string): Result<T> {
  return refuse(issue('value.type', { label: field.label, wanted }, { field: field.key }));
}

/** A formatted value between the texts that its field has before and after it. */
export function withAffixes(text: string, { settings: { before = '', after = '' } }: Field): string {
  return [before, text, after].filter((part) => part !== '').join(' ');
}

/** What was typed without the texts that its field has before and after it, as people type "12 %" where a % stands already. */
export function withoutAffixes(text: string, { settings: { before = '', after = '' } }: Field): string {
  const bare = text.trim();
  const start = before !== '' && bare.startsWith(before) ? before.length : 0;
  const end = after !== '' && bare.endsWith(after) ? after.length : 0;
  return bare.slice(start, bare.length - end).trim();
}
