import { withCategories, withoutCategories } from '../categories/category-set.js';
import type { CategorySet } from '../categories/category-set.js';
import type { Kind, KindDefinition } from './kind.js';
import type { Link } from '../links/link.js';
import { withLinks, withoutLinks } from '../links/link.js';

/**
 * A kind as the store keeps it: its fields of categories and links lack what they take from their sets and links. Only
 * {@link completeKind} makes a {@link Kind} of it, so that nothing reads values by an incomplete one.
 */
export interface StoredKind {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
  readonly definition: KindDefinition;
}

/** A definition, or that of a kind, without what its fields take from category sets and links. */
export function storedDefinition(given: KindDefinition | Kind): KindDefinition {
  const { id: _, version: __, ...definition } = given as Kind;
  return withoutLinks(withoutCategories(definition));
}

/** A definition with what its fields take from category sets and links. */
export function completeDefinition<Subject extends Pick<KindDefinition, 'fields'>>(
  definition: Subject,
  sets: readonly CategorySet[],
  links: readonly Link[],
): Subject {
  return withLinks(withCategories(definition, sets), links);
}

export function completeKind(
  { id, version, definition }: StoredKind,
  sets: readonly CategorySet[],
  links: readonly Link[],
): Kind {
  return { ...completeDefinition(definition, sets, links), id, version };
}
