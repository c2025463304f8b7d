import type { Facet } from './facet.js';
import { makeFacet } from './facet.js';
import { fieldOfFacet } from './facet-field.js';
import type { KindById } from './facet-field.js';
import type { Field } from '../fields/field.js';
import { makeField } from '../fields/field.js';
import type { Kind } from '../kinds/kind.js';
import { plainField } from '../field-types/registry.js';

/** Key of the facet that a list of several kinds has beside theirs, and of the field that it asks about. */
export const KIND_FACET_KEY = 'kind';
export const KIND_FIELD_KEY = 'kind-of-listing';

/** The field that tells of which kind a listing is. */
export function kindField(kinds: readonly Kind[]): Field {
  const choices = kinds.map(({ slug, many, icon, colour }) => ({ key: slug, label: many, icon, colour }));
  return makeField({ key: KIND_FIELD_KEY, label: 'Kind', type: 'one-choice', settings: { choices } });
}

/**
 * The facets that can stand on a list of some kinds: those of one kind as they are; of several the one over the kind, so labelled, and
 * each of theirs by its key once, as the first kind has it; one of theirs under the key "kind" stands back.
 */
export function facetsOver(kinds: readonly Kind[], label = 'Kind'): Facet[] {
  const overKind = makeFacet({ key: KIND_FACET_KEY, label, field: KIND_FIELD_KEY });
  const byKey = new Map<string, Facet>(kinds.length > 1 ? [[KIND_FACET_KEY, overKind]] : []);
  for (const facet of kinds.flatMap(({ facets }) => facets)) if (!byKey.has(facet.key)) byKey.set(facet.key, facet);
  return [...byKey.values()];
}

/**
 * The facet with which a kind answers a facet of a list of several kinds: its own one of the same key, if it has the same control and
 * comparable values. Null where it has none; its listings then have no value.
 */
export function facetAskedBy(facet: Facet, list: Pick<Kind, 'fields'>, kind: Kind, kindById: KindById): Facet | null {
  if (facet.field === KIND_FIELD_KEY) return facet;
  const own = kind.facets.find(({ key }) => key === facet.key);
  if (own?.control !== facet.control) return null;
  const [field, ownField] = [fieldOfFacet(facet, list, kindById), fieldOfFacet(own, kind, kindById)];
  return field && ownField && isComparable(field, ownField)
    ? { ...facet, through: own.through, field: own.field }
    : null;
}

function isComparable(a: Field, b: Field): boolean {
  const [plain, other] = [plainField(a), plainField(b)];
  return (
    plain.type === other.type &&
    plain.settings.unit === other.settings.unit &&
    plain.settings.currency === other.settings.currency &&
    plain.settings.linked?.kindId === other.settings.linked?.kindId
  );
}
