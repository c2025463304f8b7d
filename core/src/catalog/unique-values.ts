import type { Listing, Values } from '../listings/index.js';
import type { Field } from '../structure/index.js';
import { counterOf, fieldType, referencePattern, withCounter } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { foldText, issue } from '../values/index.js';

/** Whether no two listings of a kind may have the same value of a field. */
export function isUnique({ unique, type }: Field): boolean {
  return unique || type === 'reference';
}

/** A value as it is compared for being the same: without regard to case and accents. */
function sameness(value: unknown, field: Field): string {
  return `${field.key} ${foldText(fieldType(field.type).toText(value, field))}`;
}

export interface KeptUniqueValues {
  /** Pairs of a listing's id and a value of it. */
  readonly ids: Float64Array;
  readonly values: readonly string[];
  readonly counters: readonly (readonly [fieldKey: string, counter: number])[];
}

/** Which listings have which values of the fields that must differ in every listing. */
export class UniqueValues {
  /** The one listing that has a value; values that came in twice (before their field was made unique) have several. */
  private readonly holders = new Map<string, number | ReadonlySet<number>>();
  private readonly valuesOf = new Map<number, readonly string[]>();
  /** By field key, the greatest counter of a reference number so far; a number is not given out again. */
  private readonly counters = new Map<string, number>();

  put(listing: Pick<Listing, 'id' | 'values'>, fields: readonly Field[]): void {
    this.remove(listing.id);
    const given = fields.filter((field) => isUnique(field) && fieldType(field.type).holds(listing.values[field.key]));
    for (const field of given) if (field.type === 'reference') this.count(listing.values[field.key], field);
    const values = given.map((field) => sameness(listing.values[field.key], field));
    if (values.length === 0) return;
    this.valuesOf.set(listing.id, values);
    for (const value of values) this.hold(listing.id, value);
  }

  kept(): KeptUniqueValues {
    const pairs = [...this.valuesOf].flatMap(([id, values]) => values.map((value) => [id, value] as const));
    return {
      ids: Float64Array.from(pairs, ([id]) => id),
      values: pairs.map(([, value]) => value),
      counters: [...this.counters],
    };
  }

  /** To be called on one that is empty. */
  restore({ ids, values, counters }: KeptUniqueValues): void {
    values.forEach((value, at) => {
      const id = ids[at]!;
      this.valuesOf.set(id, [...(this.valuesOf.get(id) ?? []), value]);
      this.hold(id, value);
    });
    for (const [key, counter] of counters) this.counters.set(key, counter);
  }

  remove(id: number): void {
    for (const value of this.valuesOf.get(id) ?? []) {
      const [first, ...others] = this.holdersOf(value).filter((holder) => holder !== id);
      if (first === undefined) this.holders.delete(value);
      else this.holders.set(value, others.length === 0 ? first : new Set([first, ...others]));
    }
    this.valuesOf.delete(id);
  }

  /** What stands in the way of a listing's values: those that another one has. `besides` is the listing itself. */
  issuesOf(values: Values, fields: readonly Field[], besides: number | null, titleOf: (id: number) => string): Issue[] {
    return fields
      .filter((field) => isUnique(field) && fieldType(field.type).holds(values[field.key]))
      .flatMap((field) => {
        const value = values[field.key];
        const holder = this.holdersOf(sameness(value, field)).find((id) => id !== besides);
        if (holder === undefined) return [];
        const params = {
          label: field.label,
          found: fieldType(field.type).toText(value, field),
          title: titleOf(holder),
        };
        return [issue('value.taken', params, { field: field.key })];
      });
  }

  /** The values with the next reference number in each reference field that has none. */
  withReferences(values: Values, fields: readonly Field[]): Values {
    const missing = fields.filter(({ type, key }) => type === 'reference' && values[key] === undefined);
    if (missing.length === 0) return values;
    const given = missing.map((field) => {
      const counter = (this.counters.get(field.key) ?? 0) + 1;
      return [field.key, withCounter(referencePattern(field), counter)] as const;
    });
    return { ...values, ...Object.fromEntries(given) };
  }

  private hold(id: number, value: string): void {
    const isTaken = this.holders.has(value);
    this.holders.set(value, isTaken ? new Set([...this.holdersOf(value), id]) : id);
  }

  private holdersOf(value: string): readonly number[] {
    const holders = this.holders.get(value) ?? [];
    return typeof holders === 'number' ? [holders] : [...holders];
  }

  private count(value: unknown, field: Field): void {
    const counter = counterOf(String(value), referencePattern(field));
    if (counter !== null) this.counters.set(field.key, Math.max(counter, this.counters.get(field.key) ?? 0));
  }
}
