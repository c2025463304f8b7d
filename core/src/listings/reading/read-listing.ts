import type {
  BuiltInPart,
  ExpiryChoice,
  Field,
  KindDefinition,
  Picture,
  Place,
  ReadContext,
} from '../../structure/index.js';
import {
  BUILT_IN_FIELDS,
  BUILT_IN_MARK,
  asPicture,
  builtInFieldAt,
  fieldByKey,
  fieldType,
  momentOfText,
  readRichText,
  textOfMoment,
} from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import {
  hasNul,
  isAbout,
  issue,
  issuesOf,
  normaliseLine,
  normaliseText,
  parseNumber,
  slugOf,
} from '../../values/index.js';
import { ComputedValues } from './computed-values.js';
import { conditionHolds } from '../conditions/condition-holds.js';
import { FixedParts, fixedPartIssues } from './fixed-parts.js';
import type { ListingContent, Values } from '../listing.js';
import { STATUSES } from '../listing.js';

/** What comes from a form, a table cell, a file or the API: anything at all, by property. */
export interface ListingInput {
  readonly slug?: unknown;
  readonly title?: unknown;
  readonly summary?: unknown;
  readonly picture?: unknown;
  readonly body?: unknown;
  readonly place?: unknown;
  readonly author?: unknown;
  readonly values?: Readonly<Record<string, unknown>>;
  readonly status?: unknown;
  readonly shownFrom?: unknown;
  readonly shownUntil?: unknown;
  readonly expiry?: unknown;
  readonly featured?: unknown;
  readonly featuredFrom?: unknown;
  readonly featuredUntil?: unknown;
  readonly handOrder?: unknown;
}

export interface ReadListing {
  readonly content: ListingContent;
  readonly issues: readonly Issue[];
}

/** The properties of a kind that reading depends on. */
export type ReadKind = Pick<KindDefinition, 'fields'> & Partial<Pick<KindDefinition, 'startStatus' | 'expiry'>>;

export const BLANK_CONTENT: ListingContent = {
  slug: '',
  title: '',
  summary: '',
  picture: null,
  body: '',
  place: null,
  author: '',
  values: {},
  status: 'draft',
  shownFrom: null,
  shownUntil: null,
  expiry: null,
  featured: false,
  featuredFrom: null,
  featuredUntil: null,
  aside: {},
  handOrder: null,
};

/**
 * Reads an input over what the listing was before (`base`; none for a new one): a property that is not given stays as
 * it is, or, in a new listing, has its default. All issues are returned, not only the first; the content is to be kept
 * only when there is none.
 */
export function readListing(
  input: ListingInput,
  kind: ReadKind,
  context: ReadContext,
  before: ListingContent | null = null,
): ReadListing {
  const issues = nulIssues(input, kind);
  const base = before ?? newContent(kind);
  const parts = readFixedParts(input, base);
  issues.push(...fixedPartIssues(parts));
  const text = (part: unknown, was: string): string => (typeof part === 'string' ? part : was);
  const title = normaliseLine(text(parts.title, base.title));
  const content: ListingContent = {
    title,
    slug: text(parts.slug, base.slug) || slugOf(title),
    summary: text(parts.summary, base.summary),
    picture: readPicture(input.picture, base.picture, issues),
    body: readBody(input.body, base.body, issues),
    place: readPlace(input.place, base.place, context, issues),
    author: text(parts.author, base.author),
    values: readValues(input.values ?? {}, kind, { context, base, isNew: before === null }, issues),
    status: STATUSES.find((known) => known === parts.status) ?? base.status,
    ...readWindow(['shownFrom', 'shownUntil'], input, base, context, issues),
    expiry: readExpiry(input.expiry, base.expiry, context, issues),
    ...readWindow(['featuredFrom', 'featuredUntil'], input, base, context, issues),
    featured: typeof parts.featured === 'boolean' ? parts.featured : base.featured,
    aside: withoutGiven(base.aside, input.values ?? {}),
    handOrder: readHandOrder(input.handOrder, base.handOrder, context, issues),
  };
  return { content, issues };
}

/** The defaults of a new listing. They say whether it follows the rule of its kind, because the rule's own default may change later. */
export function newContent({ startStatus, expiry }: ReadKind): ListingContent {
  const said = expiry ? (expiry.byDefault ? 'by-rule' : 'off') : null;
  return { ...BLANK_CONTENT, status: startStatus ?? BLANK_CONTENT.status, expiry: said };
}

/** Parts and fields that are given with a character which cannot be kept. */
function nulIssues({ values, ...parts }: ListingInput, { fields }: ReadKind): Issue[] {
  const labelOf = (key: string): string => fields.find((field) => field.key === key)?.label ?? key;
  const ofParts = Object.entries(parts).filter(([, given]) => hasNul(given));
  const ofValues = Object.entries(values ?? {}).filter(([, given]) => hasNul(given));
  return [
    ...ofParts.map(([key]) =>
      issue('value.nul', { label: builtInFieldAt(`${BUILT_IN_MARK}${key}`)?.label ?? key }, { field: key }),
    ),
    ...ofValues.map(([key]) => issue('value.nul', { label: labelOf(key) }, { field: key })),
  ];
}

/** The fixed parts as they are given, or as they were; texts are normalised, an empty one is ''. */
function readFixedParts(input: ListingInput, base: ListingContent): FixedParts {
  const given = <Name extends 'title' | 'summary' | 'author' | 'status' | 'featured'>(name: Name): unknown => {
    const value = input[name];
    if (value === undefined) return base[name];
    if (value === null) return typeof base[name] === 'string' && name !== 'status' ? '' : value;
    return typeof value === 'string' && name !== 'status' ? normaliseText(value) : value;
  };
  const { slug } = input;
  return new FixedParts({
    title: given('title'),
    summary: given('summary'),
    author: given('author'),
    slug: slug === undefined || slug === null || slug === '' ? null : String(slug).trim(),
    status: given('status'),
    featured: given('featured'),
  });
}

/** The names for people of the parts that a kind can do without. */
export const PART_LABELS: Readonly<Record<BuiltInPart, string>> = {
  picture: BUILT_IN_FIELDS.picture.label,
  summary: BUILT_IN_FIELDS.summary.label,
  body: BUILT_IN_FIELDS.body.label,
  place: BUILT_IN_FIELDS.place.label,
  dates: 'Dates',
  author: BUILT_IN_FIELDS.author.label,
};

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

function readBody(input: unknown, base: string, issues: Issue[]): string {
  if (input === undefined) return base;
  const read = readRichText(input, BUILT_IN_FIELDS.body);
  if (!read.ok) issues.push(...issuesOf(read));
  return read.ok ? (read.value ?? '') : base;
}

function readPlace(input: unknown, base: Place | null, context: ReadContext, issues: Issue[]): Place | null {
  if (input === undefined) return base;
  const read = fieldType('place').read(input, BUILT_IN_FIELDS.place, context);
  if (!read.ok) issues.push(...issuesOf(read));
  return read.ok ? (read.value as Place | null) : base;
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

function readExpiry(
  input: unknown,
  base: ExpiryChoice | null,
  context: ReadContext,
  issues: Issue[],
): ExpiryChoice | null {
  if (input === undefined) return base;
  const read = fieldType('one-choice').read(input, BUILT_IN_FIELDS.expiry, context);
  if (!read.ok) issues.push(...issuesOf(read));
  return read.ok ? (read.value as ExpiryChoice | null) : base;
}

type MomentName = 'shownFrom' | 'shownUntil' | 'featuredFrom' | 'featuredUntil';

/** The two ends of a window, as they are given or as they were. */
function readWindow<Name extends MomentName>(
  names: readonly [Name, Name],
  input: ListingInput,
  base: ListingContent,
  context: ReadContext,
  issues: Issue[],
): Record<Name, number | null> {
  const [from, until] = names.map((name) => readMomentOf(name, input[name], base[name], context, issues));
  if (typeof from === 'number' && typeof until === 'number' && from >= until) {
    const [fromName, untilName] = names;
    const params = {
      label: BUILT_IN_FIELDS[untilName].label,
      until: context.formats.moment(until),
      from: context.formats.moment(from),
    };
    // Told beside the end that was given.
    issues.push(issue('listing.window', params, { field: input[untilName] === undefined ? fromName : untilName }));
  }
  return Object.fromEntries(names.map((name, at) => [name, [from, until][at] ?? null])) as Record<Name, number | null>;
}

/** A moment as milliseconds since 1970, or as text in the manner of a date-and-time field. */
function readMomentOf(
  name: MomentName,
  input: unknown,
  base: number | null,
  context: ReadContext,
  issues: Issue[],
): number | null {
  if (input === undefined) return base;
  const given = typeof input === 'number' && Number.isSafeInteger(input) ? textOfMoment(input) : input;
  const read = fieldType('date-time').read(given, BUILT_IN_FIELDS[name], context);
  if (!read.ok) issues.push(...issuesOf(read));
  else return read.value === null ? null : momentOfText(read.value as string);
  return base;
}

interface ValuesScene {
  readonly context: ReadContext;
  readonly base: ListingContent;
  readonly isNew: boolean;
}

function readValues(
  input: Readonly<Record<string, unknown>>,
  kind: ReadKind,
  scene: ValuesScene,
  issues: Issue[],
): Values {
  for (const key of Object.keys(input)) {
    if (!fieldByKey(kind, key)) issues.push(issue('listing.unknown-field', { found: key }, { field: key }));
  }
  const values: Record<string, unknown> = { ...scene.base.values };
  for (const field of kind.fields) {
    if (Object.hasOwn(input, field.key)) setValue(values, field, input[field.key], scene.context, issues);
    else if (scene.isNew && field.default !== null) setValue(values, field, field.default, scene.context, issues);
  }
  issues.push(...missingValues(values, input, kind, scene, issues));
  return values;
}

/** Required values that are missing. A field that is not shown isn't asked for. */
function missingValues(
  values: Values,
  input: Readonly<Record<string, unknown>>,
  kind: ReadKind,
  { context, isNew }: ValuesScene,
  refused: readonly Issue[],
): Issue[] {
  // A value that became required later doesn't stand in the way of changing another one.
  const isAsked = ({ key }: Field): boolean => isNew || Object.hasOwn(input, key);
  const isRefused = ({ key }: Field): boolean => refused.some(({ field = '' }) => isAbout(field, key));
  return kind.fields
    .filter((field) => field.required && values[field.key] === undefined && isAsked(field) && !isRefused(field))
    .filter((field) => isShown(field, values, kind, context))
    .map(({ key, label }) => issue('value.required', { label }, { field: key }));
}

/** Whether a field is asked for and shown in a listing with these values. */
export function isShown(
  { showWhen }: Pick<Field, 'showWhen'>,
  values: Values,
  { fields }: Pick<KindDefinition, 'fields'>,
  context: ReadContext,
): boolean {
  if (!showWhen) return true;
  const all = new ComputedValues(fields).complete({ values }).values;
  return conditionHolds(showWhen, all, fields, context);
}

function setValue(
  values: Record<string, unknown>,
  field: Field,
  input: unknown,
  context: ReadContext,
  issues: Issue[],
): void {
  const read = fieldType(field.type).read(input, field, context);
  if (!read.ok) issues.push(...issuesOf(read));
  else if (read.value === null) delete values[field.key];
  else values[field.key] = read.value;
}

/** What stays aside: a value that is given anew takes the place of what was kept. */
function withoutGiven(
  aside: ListingContent['aside'],
  given: Readonly<Record<string, unknown>>,
): ListingContent['aside'] {
  return Object.fromEntries(Object.entries(aside).filter(([key]) => !Object.hasOwn(given, key)));
}
