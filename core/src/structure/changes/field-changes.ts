import { withFieldRenamed, fieldsOfCondition } from '../conditions/condition.js';
import { parseExpression, withNameReplaced } from '../computed/expression.js';
import { expressionNames } from '../computed/computed-fields.js';
import { ruleNamesField, ruleWithKeyRenamed } from '../expiry/expiry-changes.js';
import type { Facet, FacetControl } from '../facets/facet.js';
import type { Field } from '../fields/field.js';
import { columnOf } from '../field-types/registry.js';
import type { KindDefinition } from '../kinds/kind.js';
import { addressForms, formsInPattern, patternWithKeyRenamed, patternWithoutField } from '../kinds/address-pattern.js';
import { fieldByKey } from '../kinds/kind.js';
import type { OrderKey } from '../orders/sort-choice.js';
import { structureForField, structureWithKeyRenamed, structureWithoutField } from '../structured/structured-kind.js';

/** Where a field is used beside its listings, as ends of the sentence "It is used by …". */
export function usesOfField(kind: KindDefinition, key: string): string[] {
  const orderUses = (order: readonly OrderKey[]): boolean => order.some(({ by }) => by === `field:${key}`);
  return [
    ...kind.facets.filter((facet) => asksAbout(facet, key)).map(({ label }) => `the facet “${label}”`),
    ...kind.sortChoices.filter(({ order }) => orderUses(order)).map(({ label }) => `the sort choice “${label}”`),
    ...(groupsBy(kind, key) ? ['the headings by date'] : []),
    ...(formsInPattern(kind.addressPattern, key).length > 0 ? ['the addresses of its listings'] : []),
    ...(kind.expiry && ruleNamesField(kind.expiry, key) ? [`the expiry rule of ${kind.many}`] : []),
    ...(orderUses(kind.defaultOrder) ? ['the order of the index page'] : []),
    ...kind.fields
      .filter((field) => field.showWhen && fieldsOfCondition(field.showWhen).includes(key))
      .map(({ label }) => `the show-when of ${label}`),
    ...kind.fields.filter((field) => computesWith(field, key, kind)).map(({ label }) => `the computed field ${label}`),
  ];
}

/** Whether a facet asks about a field of its own kind, or goes through it. */
function asksAbout({ field, through }: Facet, key: string): boolean {
  return through.length === 0 ? field === key : through[0] === key;
}

function groupsBy({ grouping }: Pick<KindDefinition, 'grouping'>, key: string): boolean {
  return grouping !== null && [grouping.field, grouping.endField].includes(key);
}

function computesWith({ type, settings }: Field, key: string, { fields }: KindDefinition): boolean {
  if (type !== 'computed') return false;
  const parsed = parseExpression(settings.expression ?? '', expressionNames(fields));
  return !('wrong' in parsed) && parsed.names.some((name) => name.split('.')[0] === key);
}

/**
 * The kind without a field: facets and orders over it go with it, what was shown depending on it is always shown. An
 * expiry rule or a computed field that uses it stays as it is, and has to be seen to first.
 */
export function withoutField(kind: KindDefinition, key: string): KindDefinition {
  const withoutKey = (order: readonly OrderKey[]): OrderKey[] => order.filter(({ by }) => by !== `field:${key}`);
  return {
    ...kind,
    fields: kind.fields
      .filter((field) => field.key !== key)
      .map((field) => {
        const isAsked = field.showWhen && fieldsOfCondition(field.showWhen).includes(key);
        return isAsked ? { ...field, showWhen: null } : field;
      }),
    facets: kind.facets.filter((facet) => !asksAbout(facet, key)),
    grouping: groupsBy(kind, key) ? null : kind.grouping,
    addressPattern: patternWithoutField(kind.addressPattern, key),
    structured: structureWithoutField(kind.structured, key),
    sortChoices: kind.sortChoices
      .map((choice) => ({ ...choice, order: withoutKey(choice.order) }))
      .filter(({ order }) => order.length > 0),
    defaultOrder: withoutKey(kind.defaultOrder),
  };
}

/** The kind with another key for a field; everything that used it goes on working. */
export function withKeyRenamed(kind: KindDefinition, from: string, to: string): KindDefinition {
  const renamed = (order: readonly OrderKey[]): OrderKey[] =>
    order.map((step) => (step.by === `field:${from}` ? { ...step, by: `field:${to}` } : step));
  return {
    ...kind,
    fields: kind.fields.map((field) => ({
      ...field,
      key: field.key === from ? to : field.key,
      showWhen: field.showWhen && withFieldRenamed(field.showWhen, from, to),
      settings: computesWith(field, from, kind)
        ? { ...field.settings, expression: withNameReplaced(field.settings.expression ?? '', from, to) }
        : field.settings,
    })),
    // The key of a facet stands in addresses that people have kept, so it stays.
    facets: kind.facets.map((facet) => {
      if (!asksAbout(facet, from)) return facet;
      const [first, ...others] = facet.through;
      return first === undefined ? { ...facet, field: to } : { ...facet, through: [to, ...others] };
    }),
    grouping: kind.grouping && {
      ...kind.grouping,
      field: kind.grouping.field === from ? to : kind.grouping.field,
      endField: kind.grouping.endField === from ? to : kind.grouping.endField,
    },
    expiry: ruleWithKeyRenamed(kind.expiry, from, to),
    addressPattern: patternWithKeyRenamed(kind.addressPattern, from, to),
    structured: structureWithKeyRenamed(kind.structured, from, to),
    sortChoices: kind.sortChoices.map((choice) => ({ ...choice, order: renamed(choice.order) })),
    defaultOrder: renamed(kind.defaultOrder),
  };
}

/** The kind with another field in the place of the one with its key. Facets that don't fit it any more are taken out. */
export function withFieldReplaced(
  kind: KindDefinition,
  field: Field,
  fitsFacet: (control: FacetControl) => boolean,
): KindDefinition {
  if (!fieldByKey(kind, field.key)) return kind;
  return {
    ...kind,
    fields: kind.fields.map((other) => (other.key === field.key ? field : other)),
    facets: kind.facets.filter(
      (facet) => !asksAbout(facet, field.key) || facet.through.length > 0 || fitsFacet(facet.control),
    ),
    grouping: groupsBy(kind, field.key) && columnTime(field) === null ? null : kind.grouping,
    addressPattern: formsInPattern(kind.addressPattern, field.key).every((form) => addressForms(field).includes(form))
      ? kind.addressPattern
      : patternWithoutField(kind.addressPattern, field.key),
    structured: structureForField(kind.structured, field),
  };
}

/** What the column of a field counts, where it keeps times. */
function columnTime(field: Field): string | null {
  const spec = columnOf(field);
  return (spec?.kind === 'number' && spec.time) || null;
}
