import type { Entry, Field } from '../../structure/index.js';
import {
  DEFAULT_CURRENCY,
  DEFAULT_UNIT,
  choiceLabel,
  dayNumberOfDate,
  fieldType,
  measureForExpression,
  minutesOfTime,
  momentOfText,
  numberInUnit,
  readComputedFields,
  subfieldsOf,
} from '../../structure/index.js';
import type { Measure, Money } from '../../values/index.js';
import { minorDigits } from '../../values/index.js';
import type { Values } from '../listing.js';

const DAY_IN_MS = 86_400_000;
const MINUTES_AN_HOUR = 60;

/** Values of computed fields, and by key why one could not be worked out. */
export interface Computed {
  readonly values: Values;
  readonly errors: Readonly<Record<string, string>>;
}

/**
 * Works out the computed fields of a kind's listings. Computed values are never kept: they are worked out whenever a
 * listing is read, so that they cannot be out of date. Made once for a batch, as it parses the expressions.
 */
export class ComputedValues {
  private readonly computed;
  private readonly byKey: ReadonlyMap<string, Field>;

  constructor(fields: readonly Field[]) {
    this.computed = readComputedFields(fields).inOrder;
    this.byKey = new Map(fields.map((field) => [field.key, field]));
  }

  /** The listing with its computed values beside its own; the same one when its kind has none. */
  complete<Subject extends { readonly values: Values }>(listing: Subject): Subject {
    if (this.computed.length === 0) return listing;
    return { ...listing, values: { ...listing.values, ...this.of(listing.values).values } };
  }

  of(values: Values): Computed {
    const found: Record<string, unknown> = {};
    const errors: Record<string, string> = {};
    for (const { field, expression } of this.computed) {
      const scope = new Map(expression.names.map((name) => [name, this.valueOf(name, { ...values, ...found })]));
      const lacks = (name: string): boolean => scope.get(name) == null || isEmptyList(scope.get(name));
      if (expression.needs.some(lacks)) continue;
      try {
        const value = resultOf(expression.evaluate(scope), field);
        if (value !== null) found[field.key] = value;
      } catch (error) {
        errors[field.key] = `${field.label} could not be worked out: ${(error as Error).message}`;
      }
    }
    return { values: found, errors };
  }

  private valueOf(name: string, values: Values): unknown {
    const [key = '', subKey] = name.split('.');
    const field = this.byKey.get(key);
    if (!field) return null;
    if (subKey === undefined) return plainValue(values[key], field);
    const sub = subfieldsOf(field).find((inner) => inner.key === subKey);
    const value = values[key];
    if (!sub || value == null) return field.type === 'rows' ? [] : null;
    const ofEntry = (entry: Entry): unknown => plainValue(entry[subKey], sub);
    if (field.type !== 'rows') return ofEntry(value as Entry);
    return (value as readonly Entry[]).map(ofEntry).filter((part) => part !== null);
  }
}

function isEmptyList(value: unknown): boolean {
  return Array.isArray(value) && value.length === 0;
}

/** A value of a listing as expressions use it; null when it is missing. */
function plainValue(value: unknown, field: Field): unknown {
  if (value == null || !fieldType(field.type).holds(value)) return null;
  switch (field.type) {
    case 'money':
      return majorOf(value as Money);
    case 'measure':
      return measureForExpression(value as Measure);
    case 'one-choice':
      return choiceLabel(String(value), field);
    case 'date':
      return dayNumberOfDate(String(value));
    case 'date-time':
      return momentOfText(String(value)) / DAY_IN_MS;
    case 'time-of-day':
      return (minutesOfTime(String(value)) ?? 0) / MINUTES_AN_HOUR;
    case 'computed': {
      const { result = 'decimal' } = field.settings;
      return plainValue(value, { ...field, type: result });
    }
    default:
      return value;
  }
}

function majorOf({ minor, currency }: Money): number {
  return minor / 10 ** minorDigits(currency);
}

/** What an expression came to, as a value of the field's result; null for nothing. Throws when it is something else. */
function resultOf(outcome: unknown, { settings }: Field): unknown {
  if (outcome === null || outcome === undefined) return null;
  switch (settings.result ?? 'decimal') {
    case 'yes-no':
      if (typeof outcome === 'boolean') return outcome;
      throw new Error('it does not come to yes or no.');
    case 'short-text':
      if (typeof outcome === 'object') throw new Error('it does not come to a text.');
      return String(outcome as string | number | boolean);
    case 'measure':
      return measureResult(outcome, settings);
    case 'money': {
      const currency = settings.currency ?? DEFAULT_CURRENCY;
      return { minor: Math.round(Number((finite(outcome) * 10 ** minorDigits(currency)).toPrecision(15))), currency };
    }
    default:
      return rounded(finite(outcome), settings.decimals);
  }
}

function measureResult(outcome: unknown, { unit = DEFAULT_UNIT, decimals }: Field['settings']): Measure {
  // A bare number is taken to be in the field's unit, as where one is typed.
  const number = typeof outcome === 'number' ? outcome : numberInUnit(outcome, unit);
  if (number === null) throw new Error(`it does not come to something in ${unit}.`);
  return { value: rounded(finite(number), decimals), unit };
}

function finite(outcome: unknown): number {
  if (typeof outcome !== 'number') throw new Error('it does not come to a number.');
  if (!Number.isFinite(outcome)) throw new Error('it does not come to a finite number.');
  return outcome;
}

function rounded(value: number, decimals: number | undefined): number {
  return decimals === undefined ? Number(value.toPrecision(12)) : Number(value.toFixed(decimals));
}
