import type { Issue, UnitCode } from '../../values/index.js';
import { foldText, isSlug, issue, unitsLike } from '../../values/index.js';
import { fieldAt } from '../fields/field-at.js';
import { fieldsOfCondition } from '../conditions/condition.js';
import { readComputedFields } from '../computed/computed-fields.js';
import { expiryFaults } from '../expiry/check-expiry.js';
import { RESERVED_KEYS } from '../facets/facet.js';
import type { Facet } from '../facets/facet.js';
import { fieldOfFacet } from '../facets/facet-field.js';
import type { Field } from '../fields/field.js';
import { readColour } from '../field-types/colour.js';
import { DEFAULT_UNIT } from '../field-types/measure.js';
import { columnOf, controlsFor, fieldType, isFieldTypeName } from '../field-types/registry.js';
import { checkSubfields, hasSubfields } from '../field-types/subfields.js';
import { MOST_ADDRESS_PARTS, addressForms, addressStretches, fieldOfAddress } from './address-pattern.js';
import type { AddressPart } from './address-pattern.js';
import type { Kind, KindDefinition } from './kind.js';
import { fieldByKey } from './kind.js';
import { structureFaults } from '../structured/structured-kind.js';
import { OWN_SORT_KEYS } from '../orders/sort-choice.js';

export const MOST_FIELDS = 200;
export const LONGEST_LABEL = 80;
export const GREATEST_PAGE_SIZE = 200;

const FIELD_KEY = /^[a-z][a-z0-9_]{0,59}$/;

/** First parts of addresses that belong to the program itself. */
export const RESERVED_SLUGS: readonly string[] = [
  'api',
  'desk',
  'pictures',
  'assets',
  'media',
  'files',
  'healthz',
  'readyz',
  'favicon.ico',
  'robots.txt',
  'lists',
  'shortlist',
  'own-sheets',
  'forms',
  'sent',
  'tell',
];

/**
 * Everything that is wrong with a kind; `others` are the kinds it must not clash with. Told as `kind.expiry` and
 * `kind.structured`.
 */
export function checkKind(kind: KindDefinition, others: readonly Kind[]): Issue[] {
  return [
    ...checkNames(kind, others),
    ...checkAddresses(kind),
    ...checkSections(kind),
    ...checkFields(kind),
    ...checkFacets(kind, others),
    ...checkSortChoices(kind),
    ...checkGrouping(kind),
    ...expiryFaults(kind).map((reason) => issue('kind.expiry', { reason }, { field: 'expiry' })),
    ...structureFaults(kind).map((reason) => issue('kind.structured', { reason }, { field: 'structured' })),
  ];
}

/**
 * What stands in the way of a new definition of a kind that has listings: a field keeps its type, the dimension of its
 * unit and its currency, because its values were read with them. Told as `kind.fields`.
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
    const reason = `${field.label} holds values of its present type. Use “Change its type”, which shows what becomes of them.`;
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
  if (kind.colour !== '' && readColour(kind.colour) === null) {
    const params = { label: 'The colour of the kind', found: kind.colour };
    issues.push(issue('value.not-a-colour', params, { field: 'colour' }));
  }
  return issues;
}

/** What is wrong with the pattern of the addresses of a kind's listings. Told as `kind.addresses`. */
export function checkAddresses({ addressPattern, fields }: Pick<KindDefinition, 'addressPattern' | 'fields'>): Issue[] {
  if (!addressPattern) return [];
  const stretches = addressStretches(addressPattern);
  const reasons = stretches.flat().flatMap((part) => addressPartReasons(part, fields));
  if (addressPattern.length > MOST_ADDRESS_PARTS) reasons.push(`at most ${MOST_ADDRESS_PARTS} parts fit.`);
  if (stretches.some(({ length }) => length === 0)) reasons.push('there is nothing before or after a slash.');
  if (!addressPattern.some(({ field }) => field !== '')) {
    reasons.push('without a value all listings would have the same address.');
  }
  return reasons.map((reason) => issue('kind.addresses', { reason }, { field: 'addressPattern' }));
}

function addressPartReasons(part: AddressPart, fields: readonly Field[]): string[] {
  if (part.field === '') {
    return isSlug(part.text) ? [] : [`“${part.text}” may hold small letters, digits and hyphens only.`];
  }
  const field = fieldOfAddress(part.field, fields);
  if (!field) return [`they name the field “${part.field}”, which is not there.`];
  const forms = addressForms(field);
  if (forms.length === 0)
    return [`${field.label} cannot stand in an address, as it is a ${fieldType(field.type).label}.`];
  return forms.includes(part.as) ? [] : [`${field.label} cannot stand in an address as “${part.as}”.`];
}

function checkSections({ sections, fields }: KindDefinition): Issue[] {
  const keys = sections.map(({ key }) => key);
  const reasons = repeated(keys).map((key) => `two sections have the key “${key}”.`);
  for (const { key, label } of sections) {
    if (label.trim() === '' || label.length > LONGEST_LABEL) reasons.push(`the section “${key}” needs a label.`);
    if (!FIELD_KEY.test(key)) reasons.push(`the section “${label}” has the key “${key}”, which does not fit.`);
  }
  for (const { label, section } of fields) {
    if (section !== '' && !keys.includes(section)) reasons.push(`${label} stands in a section that is not there.`);
  }
  return reasons.map((reason) => issue('kind.fields', { reason }, { field: 'sections' }));
}

function checkFields({ fields }: KindDefinition): Issue[] {
  const reasons: string[] = [];
  if (fields.length > MOST_FIELDS) reasons.push(`there are ${fields.length}; at most ${MOST_FIELDS} fit.`);
  reasons.push(...repeated(fields.map(({ key }) => key)).map((key) => `two have the key “${key}”.`));
  reasons.push(...repeated(fields.map(({ label }) => foldText(label))).map((label) => `two are called “${label}”.`));
  for (const field of fields) reasons.push(...fieldReasons(field), ...showWhenReasons(field, fields));
  const hasForeignType = fields.some(({ type }) => !isFieldTypeName(type));
  if (!hasForeignType) reasons.push(...readComputedFields(fields).reasons);
  return reasons.map((reason) => issue('kind.fields', { reason }, { field: 'fields' }));
}

function fieldReasons(field: Field): string[] {
  const reasons: string[] = [];
  if (field.label.trim() === '' || field.label.length > LONGEST_LABEL) {
    reasons.push(`the field “${field.key}” needs a label of 1 to ${LONGEST_LABEL} characters.`);
  }
  if (!FIELD_KEY.test(field.key)) {
    reasons.push(`the key “${field.key}” may hold small letters, digits and underscores, and begins with a letter.`);
  }
  if (field.key in {}) reasons.push(`the key “${field.key}” is a word of the program; choose another.`);
  if (!isFieldTypeName(field.type)) return [...reasons, `${field.label} has no known type.`];
  const ofType = fieldType(field.type).checkSettings?.(field);
  if (ofType) reasons.push(ofType);
  if (hasSubfields(field)) {
    const inside = checkSubfields(field, fieldType, fieldReasons);
    if (inside) reasons.push(inside);
  }
  return reasons;
}

function showWhenReasons({ label, key, showWhen }: Field, fields: readonly Field[]): string[] {
  if (!showWhen) return [];
  const asked = fieldsOfCondition(showWhen);
  const gone = asked.filter((other) => !fields.some((field) => field.key === other));
  const reasons = gone.map((other) => `${label} is shown depending on the field “${other}”, which is not there.`);
  return asked.includes(key) ? [...reasons, `${label} cannot be shown depending on itself.`] : reasons;
}

function checkFacets(kind: KindDefinition, others: readonly Kind[]): Issue[] {
  const reasons = repeated(kind.facets.map(({ key }) => key)).map((key) => `two have the key “${key}”.`);
  for (const facet of kind.facets) reasons.push(...facetReasons(facet, kind, others));
  return reasons.map((reason) => issue('kind.facets', { reason }, { field: 'facets' }));
}

function facetReasons(facet: Facet, kind: KindDefinition, others: readonly Kind[]): string[] {
  const kindById = (id: number): Kind | undefined => others.find((other) => other.id === id) ?? selfAs(kind, id);
  const field = fieldOfFacet(facet, kind, kindById);
  const way = [...facet.through, facet.field].join(' → ');
  if (!field) return [`“${facet.label}” asks about the field “${way}”, which is not there.`];
  const reasons: string[] = [];
  if (facet.label.trim() === '') reasons.push(`the facet over ${field.label} needs a label.`);
  if (!controlsFor(field).includes(facet.control)) {
    reasons.push(`“${facet.label}” cannot be shown that way over a ${fieldType(field.type).label} field.`);
  }
  if (RESERVED_KEYS.includes(facet.key)) reasons.push(`the key “${facet.key}” is used by every page.`);
  const { dependsOn } = facet;
  if (dependsOn && !kind.facets.some(({ key }) => key === dependsOn.facet)) {
    reasons.push(`“${facet.label}” waits for the facet “${dependsOn.facet}”, which is not there.`);
  }
  if (waitsForItself(facet, kind.facets)) {
    reasons.push(`“${facet.label}” waits for a facet that waits for it, so that neither would ever be shown.`);
  }
  return reasons;
}

function waitsForItself({ key, dependsOn }: Facet, facets: readonly Facet[]): boolean {
  const waits = new Map(facets.map((facet) => [facet.key, facet.dependsOn?.facet]));
  const passed = new Set<string>();
  let next = dependsOn?.facet;
  while (next !== undefined && next !== key && !passed.has(next)) {
    passed.add(next);
    next = waits.get(next);
  }
  return next === key;
}

/** A link may lead from a kind to itself. */
function selfAs(kind: KindDefinition, id: number): Kind | undefined {
  const isLinked = kind.fields.some(({ settings }) => settings.linked?.kindId === id);
  return isLinked && 'id' in kind && kind.id === id ? (kind as Kind) : undefined;
}

function checkGrouping({ grouping, fields }: KindDefinition): Issue[] {
  if (!grouping) return [];
  const reasons = [grouping.field, ...(grouping.endField === '' ? [] : [grouping.endField])].flatMap((key) => {
    const field = fieldAt({ fields }, key);
    const spec = field && columnOf(field);
    if (!field) return [`it goes by the field “${key}”, which is not there.`];
    return spec?.kind === 'number' && spec.time ? [] : [`${field.label} is no date.`];
  });
  return reasons.map((reason) => issue('kind.grouping', { reason }, { field: 'grouping' }));
}

function checkSortChoices(kind: KindDefinition): Issue[] {
  const taken = [...OWN_SORT_KEYS, ...kind.sortChoices.map(({ key }) => key)];
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
