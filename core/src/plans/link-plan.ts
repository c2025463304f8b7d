import type { Connection } from '../listings/index.js';
import type { Kind, KindDefinition, Link, LinkSide } from '../structure/index.js';
import { controlsFor, facetFor, fieldByKey, makeField, withFieldReplaced } from '../structure/index.js';
import type { Issue } from '../values/index.js';
import { firstFreeSlug, issue, keyOf } from '../values/index.js';

export const LINK_SIDES: readonly LinkSide[] = ['a', 'b'];

/** One end of a link that is to be made. */
export interface LinkEndSketch {
  readonly kindId: number;
  readonly label: string;
  readonly many: boolean;
}

/** The keys of the fields that a new link has at its ends, each free in its kind. */
export function keysOfNewLink(
  ends: Readonly<Record<LinkSide, LinkEndSketch>>,
  kinds: Readonly<Record<LinkSide, Pick<Kind, 'fields'>>>,
): Record<LinkSide, string> {
  const freeKey = (side: LinkSide, besides: readonly string[]): string => {
    const taken = new Set([...kinds[side].fields.map(({ key }) => key), ...besides]);
    const isTaken = (candidate: string): boolean => taken.has(candidate.replaceAll('-', '_'));
    return firstFreeSlug(keyOf(ends[side].label), isTaken).replaceAll('-', '_');
  };
  const a = freeKey('a', []);
  return { a, b: freeKey('b', ends.a.kindId === ends.b.kindId ? [a] : []) };
}

/** A definition with the field that shows one end of a link. */
export function withLinkField(definition: KindDefinition, link: Link, side: LinkSide, label: string): KindDefinition {
  const field = makeField({
    ...{ key: link[side].field, label, type: 'link', searchWeight: 1, settings: { link: link.id, side } },
  });
  return { ...definition, fields: [...definition.fields, field] };
}

/**
 * A definition in which a field becomes the first end of a link, under its key and its label, with a facet. What can't ask
 * about a link goes.
 */
export function withFieldAsLink(definition: KindDefinition, link: Link): KindDefinition {
  const before = fieldByKey(definition, link.a.field);
  const field = makeField({
    ...{ key: link.a.field, label: before?.label ?? link.a.field, type: 'link', searchWeight: 1 },
    settings: { link: link.id, side: 'a' },
  });
  const replaced = withFieldReplaced(definition, field, (control) => controlsFor(field).includes(control));
  const isAsked = replaced.facets.some(({ field: asked, through }) => asked === field.key && through.length === 0);
  const facet = isAsked ? null : facetFor(field);
  const isFree = facet !== null && !replaced.facets.some(({ key }) => key === facet.key);
  return isFree ? { ...replaced, facets: [facet, ...replaced.facets] } : replaced;
}

/**
 * What stands in the way of a link's limits: listings that are connected with more than they may be. Told as
 * `kind.fields`.
 */
export function limitIssues(link: Omit<Link, 'id' | 'version'>, connections: readonly Connection[]): Issue[] {
  return LINK_SIDES.flatMap((side): Issue[] => {
    if (link[side].many) return [];
    const counts = new Map<number, number>();
    for (const connection of connections) counts.set(connection[side], (counts.get(connection[side]) ?? 0) + 1);
    const over = [...counts.values()].filter((count) => count > 1).length;
    if (over === 0) return [];
    const reason = `${over} listings are connected with more than one; see to them first.`;
    return [issue('kind.fields', { reason }, { field: side })];
  });
}
