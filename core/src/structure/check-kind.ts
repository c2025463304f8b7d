import type { Issue, UnitCode } from '../values/index.js';
import { foldText, isSlug, issue, unitsLike } from '../values/index.js';
import { RESERVED_KEYS } from './facet.js';
import type { Facet } from './facet.js';
import type { Field } from './field.js';
import { DEFAULT_UNIT } from './field-types/measure.js';
import { fieldType, isFieldTypeName } from './field-types/registry.js';
import type { Kind, KindDefinition } from './kind.js';
import { fieldByKey } from './kind.js';
import { HOUSE_SORT_KEY, RELEVANCE_SORT_KEY } from './sort-choice.js';

export const MOST_FIELDS = 200;
export const LONGEST_LABEL = 80;
export const GREATEST_PAGE_SIZE = 200;

/** First parts of addresses that belong to the program itself. */
export const RESERVED_SLUGS: readonly string[] = [
  'api',
  'desk',
  'pictures',
  'assets',
  'media',
  'healthz',
  'readyz',
  'favicon.ico',
  'robots.txt',
];

/** Everything that is wrong with a kind; `others` are the kinds it must not clash with. */
export function checkKind(kind: KindDefinition, others: readonly Kind[]): Issue[] {
  return [...checkNames(kind, others), ...checkFields(kind), ...checkFacets(kind), ...checkSortChoices(kind)];
}

/**
 * What stands in the way of a new definition of a kind that has listings: a field keeps its type, the dimension of its
 * unit and its currency, because its values were read with them.
 */
export function checkKindChange(before: KindDefinition, after: KindDefinition): Issue[] {
  return after.fields.flatMap((field) => {
    const old = fieldByKey(before, field.key);
    if (!old) return [];
    const isSame =
      old.type === field.type &&
      old.settings.currency === field.settings.currency &&
      (field.type !== 'measure' || unitsLike(unitOf(old)).includes(unitOf(field)));
    if (isSame) return [];
    const reason = `${field.label} holds values of its present type; add a new field for another one.`;
    return [issue('kind.fields', { reason }, { field: 'fields' })];
  });
}

function unitOf({ settings }: Field): UnitCode {
  return settings.unit ?? DEFAULT_UNIT;
}

function checkNames(kind: KindDefinition, others: readonly Kind[]): Issue[] {
  const issues: Issue[] = [];
  if (kind.one.trim() === '' || kind.many.trim() === '') issues.push(issue('kind.label', {}, { field: 'one' }));
  for (const label of new Set([kind.one, kind.many])) {
    const clash = others.some((other) => [other.one, other.many].some((taken) => foldText(taken) === foldText(label)));
    if (clash) issues.push(issue('kind.label-taken', { label }, { field: 'many' }));
  }
  if (!isSlug(kind.slug)) issues.push(issue('kind.slug', { slug: kind.slug }, { field: 'slug' }));
  const isTaken = RESERVED_SLUGS.includes(kind.slug) || others.some((other) => other.slug === kind.slug);
  if (isTaken) issues.push(issue('kind.slug-taken', { slug: kind.slug }, { field: 'slug' }));
  return issues;
}

function checkFields({ fields }: KindDefinition): Issue[] {
  const reasons: string[] = [];
  if (fields.length > MOST_FIELDS) reasons.push(`there are ${fields.length}; at most ${MOST_FIELDS} fit.`);
  reasons.push(...repeated(fields.map(({ key }) => key)).map((key) => `two have the key “${key}”.`));
  reasons.push(...repeated(fields.map(({ label }) => foldText(label))).map((label) => `two are called “${label}”.`));
  for (const field of fields) reasons.push(...fieldReasons(field));
  return reasons.map((reason) => issue('kind.fields', { reason }, { field: 'fields' }));
}

function fieldReasons(field: Field): string[] {
  const reasons: string[] = [];
  if (field.label.trim() === '' || field.label.length > LONGEST_LABEL) {
    reasons.push(`the field “${field.key}” needs a label of 1 to ${LONGEST_LABEL} characters.`);
  }
  if (!/^[a-z][a-z0-9_]{0,59}$/.test(field.key)) {
    reasons.push(`the key “${field.key}” may hold small letters, digits and underscores, and begins with a letter.`);
  }
  if (field.key in {}) reasons.push(`the key “${field.key}” is a word of the program; choose another.`);
  if (!isFieldTypeName(field.type)) return [...reasons, `${field.label} has no known type.`];
  const { least, greatest } = field.settings;
  if (least !== undefined && greatest !== undefined && least > greatest) {
    reasons.push(`the least value of ${field.label} is above its greatest.`);
  }
  const ofType = fieldType(field.type).checkSettings?.(field);
  return ofType ? [...reasons, ofType] : reasons;
}

function checkFacets(kind: KindDefinition): Issue[] {
  const reasons = repeated(kind.facets.map(({ key }) => key)).map((key) => `two have the key “${key}”.`);
  for (const facet of kind.facets) reasons.push(...facetReasons(facet, kind));
  return reasons.map((reason) => issue('kind.facets', { reason }, { field: 'facets' }));
}

function facetReasons(facet: Facet, kind: KindDefinition): string[] {
  const field = fieldByKey(kind, facet.field);
  if (!field) return [`“${facet.label}” asks about the field “${facet.field}”, which is not there.`];
  const reasons: string[] = [];
  if (facet.label.trim() === '') reasons.push(`the facet over ${field.label} needs a label.`);
  if (fieldType(field.type).facet !== facet.control) {
    reasons.push(`“${facet.label}” cannot be shown that way over a ${fieldType(field.type).label} field.`);
  }
  if (RESERVED_KEYS.includes(facet.key)) reasons.push(`the key “${facet.key}” is used by every page.`);
  return reasons;
}

function checkSortChoices(kind: KindDefinition): Issue[] {
  const taken = [HOUSE_SORT_KEY, RELEVANCE_SORT_KEY, ...kind.sortChoices.map(({ key }) => key)];
  const reasons = repeated(taken).map((key) => `two sort choices have the key “${key}”.`);
  for (const { label, order } of kind.sortChoices) {
    if (label.trim() === '' || order.length === 0) reasons.push('a sort choice needs a label and an order.');
    for (const { by } of order) {
      const key = by.startsWith('field:') ? by.slice('field:'.length) : null;
      if (key !== null && !fieldByKey(kind, key)) reasons.push(`“${label}” sorts by “${key}”, which is not there.`);
    }
  }
  return reasons.map((reason) => issue('kind.facets', { reason }, { field: 'sortChoices' }));
}

function repeated(texts: readonly string[]): string[] {
  return [...new Set(texts.filter((text, at) => texts.indexOf(text) !== at))];
}
