import type { Facet, FacetControl, Field, Kind } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, RESERVED_KEYS, controlsFor, fieldOfFacet, hasPart, makeFacet } from '@plindo/core/structure';
import { firstFreeSlug, slugOf } from '@plindo/core/values';
import { waysThroughLinks } from './ways-through-links';

/** Something that a facet could be over: a field of the kind, or one that it reaches. */
export interface FacetSubject {
  readonly through: readonly string[];
  readonly field: Field;
  /** "Facilities", "Harbour → Facilities". */
  readonly label: string;
}

export const CONTROL_WORDS: Readonly<Record<FacetControl, string>> = {
  ticks: 'ticks',
  'drop-down': 'a drop-down for one',
  chips: 'chips in a row',
  tree: 'a tree',
  'yes-no': 'yes and no',
  range: 'a range with a chart',
  dates: 'a strip of months',
  letters: 'first letters',
  rating: 'stars at least',
  distance: 'a distance from a place',
};

/** All that facets of a kind can be over, its own fields first, then those that are one link away, then two. */
export function facetSubjectsOf(kind: Kind, kinds: readonly Kind[]): FacetSubject[] {
  const builtIn = [
    { ...BUILT_IN_FIELDS.title, key: '@title' },
    ...(hasPart(kind, 'place') ? [{ ...BUILT_IN_FIELDS.place, key: '@place' }] : []),
  ];
  const own = [...kind.fields, ...builtIn].map((field): FacetSubject => ({ through: [], field, label: field.label }));
  const nearFirst = waysThroughLinks(kind, kinds).sort((a, b) => a.through.length - b.through.length);
  const linked = nearFirst.flatMap(({ to, through, label }) =>
    to.fields.map((field): FacetSubject => ({ through, field, label: label + field.label })),
  );
  return [...own, ...linked].filter(({ field }) => controlsFor(field).length > 0);
}

/** A new facet over a subject, under a key of its own. */
export function facetOver({ through, field }: FacetSubject, kind: Kind): Facet {
  const taken = [...RESERVED_KEYS, ...kind.facets.map(({ key }) => key)];
  const [control = 'ticks'] = controlsFor(field);
  return makeFacet({
    key: firstFreeSlug(slugOf(field.label) || 'facet', (key) => taken.includes(key)),
    label: field.label,
    through,
    field: field.key,
    control,
    valueOrder: control === 'tree' ? 'defined' : 'count',
  });
}

/** What a facet is over, in words, and the controls that fit it. */
export function subjectOf(
  facet: Facet,
  kind: Kind,
  kinds: readonly Kind[],
): { label: string; controls: readonly FacetControl[] } {
  const field = fieldOfFacet(facet, kind, (id) => kinds.find((other) => other.id === id));
  const links = facet.through.map((key, at) => {
    const from = at === 0 ? kind : undefined;
    return from?.fields.find((own) => own.key === key)?.label ?? key;
  });
  const label = [...links, field?.label ?? `${facet.field} (gone)`].join(' → ');
  return { label, controls: field ? controlsFor(field) : [facet.control] };
}
