import type { KeptThings, Listing, ListingContent, Values } from '../listings/index.js';
import { BLANK_CONTENT, STATUS_LABELS } from '../listings/index.js';
import type { BuiltInKey, Field, Kind, KindDefinition, Link } from '../structure/index.js';
import { BUILT_IN_FIELDS, isUnique, linkOfField, otherSide } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { isSame, issue, withSmallInitial } from '../values/index.js';

/** Values without what is kept as connections. */
export function withoutLinked(values: Values, { fields }: Pick<KindDefinition, 'fields'>): Values {
  const links = fields.filter(({ type }) => type === 'link').map(({ key }) => key);
  return Object.fromEntries(Object.entries(values).filter(([key]) => !links.includes(key)));
}

/** Hashes of pictures and of files. */
export type Hashes = Readonly<Record<'pictures' | 'files', ReadonlySet<string>>>;

/**
 * Pictures and files that a listing refers to and that are not kept here. Told as `value.not-a-file` and
 * `value.not-a-picture`.
 */
export function notKeptIssues({ pictures, files }: KeptThings, kept: Hashes): Issue[] {
  const ofPictures = pictures.filter(({ thing }) => !kept.pictures.has(thing.hash));
  const ofFiles = files.filter(({ thing }) => !kept.files.has(thing.hash));
  return [
    ...ofPictures.map(({ label, key, thing }) =>
      issue('value.not-a-picture', { label, found: thing.hash }, { field: key }),
    ),
    ...ofFiles.map(({ label, key, thing }) => issue('value.not-a-file', { label, found: thing.name }, { field: key })),
  ];
}

/** The reference fields in which a listing has no number yet. */
export function fieldsToNumber(values: Values, fields: readonly Field[]): Field[] {
  return fields.filter(({ type, key }) => type === 'reference' && values[key] === undefined);
}

/** What a change did, for the log: the status if that is what changed, else the names of what did. */
export function sentenceOfEdit(
  before: Listing,
  after: ListingContent,
  kind: Kind,
  given: Readonly<Record<string, unknown>>,
): string {
  if (before.status !== after.status) {
    if (after.status === 'binned') return `Put ${after.title} into the bin`;
    return before.status === 'binned'
      ? `Restored ${after.title}`
      : `Set ${after.title} to ${STATUS_LABELS[after.status]}`;
  }
  return `Changed ${changedParts(before, after, kind, given).join(', ') || 'nothing'} of ${after.title}`;
}

/** What editors set of the built-in parts. */
const PARTS = (Object.keys(BUILT_IN_FIELDS) as BuiltInKey[]).filter((key): key is keyof ListingContent & BuiltInKey =>
  Object.hasOwn(BLANK_CONTENT, key),
);

/** A part as the log names it inside a sentence: "lead picture". Featured is a name. */
function nameOf(part: BuiltInKey): string {
  const { label } = BUILT_IN_FIELDS[part];
  return part === 'featured' ? label : withSmallInitial(label);
}

function changedParts(
  before: Listing,
  after: ListingContent,
  { fields }: Kind,
  given: Readonly<Record<string, unknown>>,
): string[] {
  const parts = PARTS.filter((part) => !isSame(before[part], after[part])).map(nameOf);
  const changed = fields.filter(({ key, type }) =>
    type === 'link' ? Object.hasOwn(given, key) : !isSame(before.values[key], after.values[key]),
  );
  return [...parts, ...changed.map(({ label }) => label)];
}

/** A copy of a listing, as a draft, without what has to be different in each; its address is still to be found. */
export function copyOf(content: ListingContent, { fields }: Pick<KindDefinition, 'fields'>): ListingContent {
  const unique = fields.filter(isUnique).map(({ key }) => key);
  const values = Object.fromEntries(Object.entries(content.values).filter(([key]) => !unique.includes(key)));
  return { ...content, status: 'draft', featured: false, values };
}

/** A listing that only one other may hold cannot be given to several at once. Told as `link.exclusive`. */
export function exclusiveLinkIssues(
  { fields }: Pick<KindDefinition, 'fields'>,
  links: readonly Link[],
  inputs: readonly { readonly values?: Readonly<Record<string, unknown>> }[],
): Issue[] {
  if (inputs.length < 2) return [];
  return fields.flatMap((field): Issue[] => {
    const found = linkOfField(field, links);
    const isGiven = inputs.some(({ values = {} }) => Object.hasOwn(values, field.key));
    if (!found || !isGiven || found.link[otherSide(found.side)].many) return [];
    return [issue('link.exclusive', { label: field.label }, { field: field.key })];
  });
}

/** Categories to be added to and taken from a listing. */
export interface CategoryChange {
  readonly field: string;
  readonly add: readonly string[];
  readonly remove: readonly string[];
}

/** The values of a listing with some categories added and others taken away, as an input. */
export function withCategoryChange({ values }: Pick<Listing, 'values'>, change: CategoryChange): Values {
  const { field, add, remove } = change;
  const own = Array.isArray(values[field]) ? (values[field] as readonly string[]) : [];
  return { [field]: [...new Set([...own.filter((key) => !remove.includes(key)), ...add])] };
}
