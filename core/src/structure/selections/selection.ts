import type { ConditionGroup } from '../conditions/condition.js';
import type { DateGrouping } from '../facets/date-grouping.js';
import { makeDateGrouping } from '../facets/date-grouping.js';
import type { OrderKey } from '../orders/sort-choice.js';
import { HOUSE_ORDER, presentOrder } from '../orders/sort-choice.js';
import type { Pager } from '../kinds/kind.js';
import { DEFAULT_PAGE_SIZE } from '../kinds/kind.js';

/**
 * Whether a list holds listings that are on the site, such that have left it, or both. Those that have left are of kinds
 * whose rule says that their pages stay.
 */
export const SHOWN_TIMES = ['present', 'past', 'both'] as const;
export type ShownTime = (typeof SHOWN_TIMES)[number];

/** A saved question: which listings, in which order, how many. */
export interface SelectionDefinition {
  /** The part of the address of its own page: `/lists/weekend-courses`. */
  readonly slug: string;
  readonly name: string;
  /** A line that says what it is for. */
  readonly purpose: string;
  /** Numbers of the kinds that it chooses from; each listing counts by its own kind's fields. */
  readonly kinds: readonly number[];
  /** Numbers of listings that were picked by hand, in their order; null where conditions choose. */
  readonly picked: readonly number[] | null;
  readonly where: ConditionGroup;
  readonly shows: ShownTime;
  /** Of no effect on what was picked by hand. */
  readonly order: readonly OrderKey[];
  /** Leaves out so many of the first ones, and shows at most so many of the rest; null for all. */
  readonly skip: number;
  readonly most: number | null;
  /** Listings a page. */
  readonly pageSize: number;
  /** Whether the listing on whose page it stands is left out. */
  readonly leavesOutCurrent: boolean;
  readonly grouping: DateGrouping | null;
  readonly pager: Pager;
  /** Whether it has a page of its own on the site, and which facets stand there, by their keys. */
  readonly published: boolean;
  readonly facets: readonly string[];
}

export interface Selection extends SelectionDefinition {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
}

export const ALL_OF_NOTHING: ConditionGroup = { join: 'all', of: [] };
export const LONGEST_SELECTION_NAME = 80;
export const MOST_PICKED = 5000;

/** What has to be said of a selection; the rest has defaults. */
export type SelectionSketch = Pick<SelectionDefinition, 'slug' | 'name'> & Partial<SelectionDefinition>;

/** A selection with every property at its plain default but those given; always in the same order of properties. */
export function makeSelection(given: SelectionSketch): SelectionDefinition {
  return {
    slug: given.slug,
    name: given.name,
    purpose: given.purpose ?? '',
    kinds: given.kinds ?? [],
    picked: given.picked ?? null,
    where: given.where ?? ALL_OF_NOTHING,
    shows: given.shows ?? 'present',
    order: presentOrder(given.order ?? HOUSE_ORDER),
    skip: given.skip ?? 0,
    most: given.most ?? null,
    pageSize: given.pageSize ?? DEFAULT_PAGE_SIZE,
    leavesOutCurrent: given.leavesOutCurrent ?? false,
    grouping: given.grouping ? makeDateGrouping(given.grouping) : null,
    pager: given.pager ?? 'numbered',
    published: given.published ?? false,
    facets: given.facets ?? [],
  };
}

/** The first part of the address of a selection's page. */
export const SELECTIONS_SLUG = 'lists';

/** The address of the page of what a visitor keeps. */
export const SHORTLIST_SLUG = 'shortlist';
