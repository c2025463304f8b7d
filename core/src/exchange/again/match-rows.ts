import type { Named } from '../../listings/index.js';
import { NAMING_TYPES, NameIndex, textsOf } from '../../listings/index.js';
import type { Field, KindDefinition } from '../../structure/index.js';
import { fieldByKey, isUnique } from '../../structure/index.js';
import { foldText } from '../../values/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import type { ImportPlan } from '../columns/import-plan.js';
import type { ImportRow } from '../import-rows.js';
import { namesBy } from './plan-for-kind.js';

/** A listing with its version and what names it: its title, its address, or the text of a field; '' for nothing. */
export interface ListingName {
  readonly id: number;
  readonly version: number;
  readonly name: string;
}

/** A row of a file, and the listing that it is about; null for one that isn't there yet. */
export interface MatchedRow {
  readonly row: ImportRow;
  /** Null for a listing that isn't there yet. */
  readonly id: number | null;
}

/** By what rows can be matched with listings: first what is surest to name one. */
export function waysToMatch(plan: ImportPlan, kind: Pick<KindDefinition, 'fields'>): string[] {
  const fields = kind.fields.filter(({ type }) => NAMING_TYPES.includes(type) && type !== 'several-choices');
  const sure = fields.filter(isUnique);
  const others = fields.filter((field) => !isUnique(field) && field.type !== 'one-choice');
  const ways = [...sure.map(({ key }) => key), '@slug', '@title', ...others.map(({ key }) => key)];
  return ways.filter((by) => plan.columns.some((column) => namesBy(column, by)));
}

/** Finds the listings that rows are about, row by row; each listing by one row. */
export class RowMatcher {
  private readonly names = new NameIndex();
  private readonly field: Field | undefined;
  /** By what named it, the line that came first. */
  private readonly seen = new Map<string, number>();
  private readonly found = new Set<number>();

  constructor(
    private readonly listings: readonly ListingName[],
    kind: Pick<KindDefinition, 'fields'>,
    private readonly by: string,
  ) {
    for (const { id, name } of listings) this.names.add(id, name);
    this.field = fieldByKey(kind, by);
  }

  /** The row with its listing, or why it can't be told which one it is about: `again.several`, `again.twice`. */
  match(row: ImportRow): MatchedRow | { readonly row: ImportRow; readonly issue: Issue } {
    const name = this.nameOf(row);
    if (name === '') return { row, id: null };
    const named: Named = this.names.find(name);
    if (named === 'several') return { row, issue: issue('again.several', { found: name }, { line: row.line }) };
    const key = typeof named === 'object' ? String(named.id) : foldText(name);
    const other = this.seen.get(key);
    if (other !== undefined) return { row, issue: issue('again.twice', { found: name, other }, { line: row.line }) };
    this.seen.set(key, row.line);
    if (named === 'none') return { row, id: null };
    this.found.add(named.id);
    return { row, id: named.id };
  }

  /** Listings that no row was about. */
  missing(): ListingName[] {
    return this.listings.filter(({ id }) => !this.found.has(id));
  }

  private nameOf({ input }: ImportRow): string {
    if (this.by === '@title') return asText(input.title);
    if (this.by === '@slug') return asText(input.slug);
    const value = input.values?.[this.by];
    if (typeof value === 'string') return value.trim();
    return this.field && value != null ? (textsOf(value, this.field)[0] ?? '') : '';
  }
}

function asText(value: unknown): string {
  return typeof value === 'string' ? value.trim() : '';
}

/** A row without what its file leaves blank, so that a listing keeps what it has there. */
export function withoutBlanks(row: ImportRow): ImportRow {
  const { values, ...parts } = row.input;
  const filled = (given: object): [string, unknown][] => Object.entries(given).filter(([, value]) => !isBlank(value));
  return { ...row, input: { ...Object.fromEntries(filled(parts)), values: Object.fromEntries(filled(values ?? {})) } };
}

function isBlank(value: unknown): boolean {
  return value === '' || value === null || (Array.isArray(value) && value.length === 0);
}
