import type { Field, KindDefinition, Picture, ReadContext } from '../structure/index.js';
import { asPicture, fieldByKey, fieldType } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { isSlug, issue, normaliseLine, normaliseText, parseNumber, slugOf } from '../values/index.js';
import type { ListingContent, Status, Values } from './listing.js';
import { STATUSES } from './listing.js';

export const LONGEST_TITLE = 200;
export const LONGEST_SUMMARY = 2000;

/** What comes from a form, a table cell, a file or the API: anything at all, by property. */
export interface ListingInput {
  readonly slug?: unknown;
  readonly title?: unknown;
  readonly summary?: unknown;
  readonly picture?: unknown;
  readonly values?: Readonly<Record<string, unknown>>;
  readonly status?: unknown;
  readonly featured?: unknown;
  readonly handOrder?: unknown;
}

export interface ReadListing {
  readonly content: ListingContent;
  readonly issues: readonly Issue[];
}

const BLANK: ListingContent = {
  slug: '',
  title: '',
  summary: '',
  picture: null,
  values: {},
  status: 'draft',
  featured: false,
  handOrder: null,
};

/**
 * Reads an input over what the listing was before (`base`; a blank draft for a new one): a property that is not given
 * stays as it is. All issues are returned, not only the first; the content is to be kept only when there is none.
 */
export function readListing(
  input: ListingInput,
  kind: Pick<KindDefinition, 'fields'>,
  context: ReadContext,
  base: ListingContent = BLANK,
): ReadListing {
  const issues: Issue[] = [];
  const title = readText(input.title, base.title, { label: 'Title', field: 'title', longest: LONGEST_TITLE }, issues);
  if (title === '') issues.push(issue('listing.title', {}, { field: 'title' }));
  const content: ListingContent = {
    title: normaliseLine(title),
    slug: readSlug(input.slug, base.slug || slugOf(title), issues),
    summary: readText(
      input.summary,
      base.summary,
      { label: 'Summary', field: 'summary', longest: LONGEST_SUMMARY },
      issues,
    ),
    picture: readPicture(input.picture, base.picture, issues),
    values: readValues(input.values ?? {}, kind, context, base, issues),
    status: readStatus(input.status, base.status, issues),
    featured: readFlag(input.featured, base.featured, issues),
    handOrder: readHandOrder(input.handOrder, base.handOrder, context, issues),
  };
  return { content, issues };
}

interface TextRule {
  readonly label: string;
  readonly field: string;
  readonly longest: number;
}

function readText(input: unknown, base: string, { label, field, longest }: TextRule, issues: Issue[]): string {
  if (input === undefined) return base;
  if (input === null) return '';
  if (typeof input !== 'string') {
    issues.push(issue('value.type', { label, wanted: 'a text' }, { field }));
    return base;
  }
  const text = normaliseText(input);
  if (text.length > longest) {
    issues.push(issue('value.too-long', { label, found: text.length, greatest: longest }, { field }));
  }
  return text;
}

function readSlug(input: unknown, base: string, issues: Issue[]): string {
  if (input === undefined || input === null || input === '') return base;
  const slug = String(input).trim();
  if (!isSlug(slug)) issues.push(issue('kind.slug', { slug }, { field: 'slug' }));
  return slug;
}

function readPicture(input: unknown, base: Picture | null, issues: Issue[]): Picture | null {
  if (input === undefined) return base;
  if (input === null) return null;
  const picture = asPicture(input);
  if (!picture) {
    const found = typeof input === 'string' ? input : JSON.stringify(input);
    issues.push(issue('value.not-a-picture', { label: 'Lead picture', found }, { field: 'picture' }));
  }
  return picture;
}

function readStatus(input: unknown, base: Status, issues: Issue[]): Status {
  if (input === undefined) return base;
  const status = STATUSES.find((known) => known === input);
  if (!status) {
    const wanted = `one of ${STATUSES.join(', ')}`;
    issues.push(issue('value.type', { label: 'Status', wanted }, { field: 'status' }));
  }
  return status ?? base;
}

function readFlag(input: unknown, base: boolean, issues: Issue[]): boolean {
  if (input === undefined) return base;
  if (typeof input === 'boolean') return input;
  issues.push(issue('value.type', { label: 'Featured', wanted: 'yes or no' }, { field: 'featured' }));
  return base;
}

function readHandOrder(input: unknown, base: number | null, context: ReadContext, issues: Issue[]): number | null {
  if (input === undefined) return base;
  if (input === null || (typeof input === 'string' && input.trim() === '')) return null;
  const number = typeof input === 'string' ? parseNumber(input, context.marks) : input;
  if (typeof number === 'number' && Number.isFinite(number)) return number;
  const params = { label: 'Hand order', found: String(input), example: '10' };
  issues.push(issue('value.not-a-number', params, { field: 'handOrder' }));
  return base;
}

function readValues(
  input: Readonly<Record<string, unknown>>,
  kind: Pick<KindDefinition, 'fields'>,
  context: ReadContext,
  base: ListingContent,
  issues: Issue[],
): Values {
  for (const key of Object.keys(input)) {
    if (!fieldByKey(kind, key)) issues.push(issue('listing.unknown-field', { found: key }, { field: key }));
  }
  const values: Record<string, unknown> = { ...base.values };
  for (const field of kind.fields) {
    const isGiven = Object.hasOwn(input, field.key);
    if (isGiven) setValue(values, field, input[field.key], context, issues);
    // A value that became required later doesn't stand in the way of changing another one.
    const isAsked = isGiven || base === BLANK;
    const isRefused = issues.some((found) => found.field === field.key);
    if (field.required && isAsked && values[field.key] === undefined && !isRefused) {
      issues.push(issue('value.required', { label: field.label }, { field: field.key }));
    }
  }
  return values;
}

function setValue(
  values: Record<string, unknown>,
  field: Field,
  input: unknown,
  context: ReadContext,
  issues: Issue[],
): void {
  const read = fieldType(field.type).read(input, field, context);
  if (!read.ok) issues.push(read.issue);
  else if (read.value === null) delete values[field.key];
  else values[field.key] = read.value;
}
