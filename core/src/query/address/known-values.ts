import type { Facet } from '../../structure/index.js';
import { KIND_FIELD_KEY } from '../../structure/index.js';
import type { AskedList } from '../lists/asked-list.js';
import { sourceOf } from '../filters/facet-source.js';
import type { FacetChoice, Query } from './query.js';
import { NO_VALUE, YES_VALUE } from './query.js';
import type { QueryScene } from '../filters/scene.js';

/**
 * A query without the chosen values that its list knows nothing of, such as those of an address that was mistyped or has
 * grown old. A value that no listing has now is known all the same, where it is defined; a listing at the other end of a
 * link is known as long as visitors see it.
 */
export function withKnownValues(query: Query, list: AskedList, scene: QueryScene): Query {
  const choices = new Map<string, FacetChoice>();
  for (const [key, choice] of query.choices) {
    const facet = list.design.facets.find((one) => one.key === key);
    if (choice.kind !== 'values' || !facet) {
      choices.set(key, choice);
      continue;
    }
    const values = choice.values.filter(knownBy(facet, list, scene));
    if (values.length > 0) choices.set(key, { kind: 'values', values });
  }
  return { ...query, choices };
}

/** Tells of each value of a facet whether it is known; where its values lie is found once for all of them. */
function knownBy(facet: Facet, { design, parts }: AskedList, scene: QueryScene): (value: string) => boolean {
  if (facet.field === KIND_FIELD_KEY) {
    const field = design.fields.find(({ key }) => key === KIND_FIELD_KEY);
    return (value) => field?.settings.choices?.some(({ key }) => key === value) ?? false;
  }
  const sources = parts.flatMap((part) => {
    const asked = part.facets.get(facet.key);
    return (asked && sourceOf(asked, part.catalog, scene)) ?? [];
  });
  return (value) =>
    sources.some(({ column, visible }) => {
      if (column.kind === 'yes-no') return value === YES_VALUE || value === NO_VALUE;
      if (column.kind !== 'choices') return true;
      const number = column.find(value);
      return number >= 0 && visible?.[number] !== 0;
    });
}
