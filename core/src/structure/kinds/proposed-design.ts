import type { SiteWords, Word } from '../../values/index.js';
import type { Facet, FacetControl } from '../facets/facet.js';
import { RESERVED_KEYS, makeFacet } from '../facets/facet.js';
import type { Field } from '../fields/field.js';
import { isTime } from '../orders/direction-words.js';
import { columnOf, controlsFor, fieldType, plainField } from '../field-types/registry.js';
import type { KindDefinition, KindSketch } from './kind.js';
import { makeKindDefinition } from './kind.js';
import type { SortChoice } from '../orders/sort-choice.js';

const MOST_PROPOSED_FACETS = 8;
/** A range over codes and years of no use to visitors is left for the publisher to add. */
const LOOKS_LIKE_A_CODE = /(^|[\s_])(id|code|number|no|zip|postcode)$/i;

/** The facet that fits a field, or null when its type offers none. */
export function facetFor(field: Field): Facet | null {
  const [control] = controlsFor(field);
  if (!control) return null;
  const key = field.key.replaceAll('_', '-');
  return makeFacet({
    key: RESERVED_KEYS.includes(key) ? `${key}-is` : key,
    label: field.label,
    field: field.key,
    control,
    valueOrder: control === 'tree' ? 'defined' : 'count',
  });
}

/** Controls that Plindo proposes by itself, in the order in which it does. */
const PROPOSED: readonly FacetControl[] = ['ticks', 'tree', 'yes-no', 'rating', 'range', 'dates'];

/** The facets that Plindo chooses for a kind: choices first, then yes/no, then numbers and dates. */
export function proposeFacets(fields: readonly Field[]): Facet[] {
  return fields
    .filter((field) => !(controlsFor(field)[0] === 'range' && LOOKS_LIKE_A_CODE.test(field.label)))
    .map(facetFor)
    .filter((facet): facet is Facet => facet !== null && PROPOSED.includes(facet.control))
    .sort((a, b) => PROPOSED.indexOf(a.control) - PROPOSED.indexOf(b.control))
    .slice(0, MOST_PROPOSED_FACETS);
}

/** The sort choices that fit a field, named in the words of the site: two for numbers, dates and times, none for the rest. */
export function sortChoicesFor(field: Field, words: SiteWords): SortChoice[] {
  if (columnOf(field)?.kind !== 'number') return [];
  const by = `field:${field.key}` as const;
  const key = field.key.replaceAll('_', '-');
  const [up, down] = isTime(plainField(field))
    ? (['order.earliest', 'order.latest'] as const)
    : (['order.lowest', 'order.highest'] as const);
  const labelOf = (direction: Word): string =>
    words.say('order.by', { field: field.label, direction: words.say(direction) });
  return [
    {
      key: `${key}-up`,
      label: labelOf(up),
      order: [
        { by, direction: 'up' },
        { by: '@title', direction: 'up' },
      ],
    },
    {
      key: `${key}-down`,
      label: labelOf(down),
      order: [
        { by, direction: 'down' },
        { by: '@title', direction: 'up' },
      ],
    },
  ];
}

/** The sort choices that Plindo chooses for a kind, named in the words of the site. */
export function proposeSortChoices(fields: readonly Field[], words: SiteWords): SortChoice[] {
  const ofFields = fields
    .filter((field) => !LOOKS_LIKE_A_CODE.test(field.label))
    .flatMap((field) => sortChoicesFor(field, words))
    .slice(0, 4);
  return [
    { key: 'title', label: words.say('order.title'), order: [{ by: '@title', direction: 'up' }] },
    {
      key: 'newest',
      label: words.say('order.newest'),
      order: [
        { by: '@createdAt', direction: 'down' },
        { by: '@title', direction: 'up' },
      ],
    },
    ...ofFields,
  ];
}

/** The same fields with texts and choices made searchable. */
export function withProposedUses(fields: readonly Field[]): Field[] {
  return fields.map((field) => ({ ...field, searchWeight: fieldType(field.type).words ? 1 : 0 }));
}

/** The kind that an import makes: as it is sketched, with the facets and sort choices that its fields call for. */
export function kindOfImport(sketch: KindSketch, words: SiteWords): KindDefinition {
  const kind = makeKindDefinition(sketch);
  return { ...kind, facets: proposeFacets(kind.fields), sortChoices: proposeSortChoices(kind.fields, words) };
}
