import type { Facet } from './facet.js';
import type { Field } from './field.js';
import type { SortChoice } from './sort-choice.js';

/** What a publisher says of a kind of listing. */
export interface KindDefinition {
  /** The part of the address that its index page has: `/berths`. */
  readonly slug: string;
  /** What one of it, and many of it, are called. */
  readonly one: string;
  readonly many: string;
  /** A sentence above its index page. */
  readonly intro: string;
  /** Whether visitors see it. */
  readonly published: boolean;
  readonly fields: readonly Field[];
  readonly facets: readonly Facet[];
  readonly sortChoices: readonly SortChoice[];
  /** Listings a page. */
  readonly pageSize: number;
}

/** A kind of listing as it is kept. */
export interface Kind extends KindDefinition {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
}

export const DEFAULT_PAGE_SIZE = 24;

export function fieldByKey(kind: Pick<KindDefinition, 'fields'>, key: string): Field | undefined {
  return kind.fields.find((field) => field.key === key);
}
