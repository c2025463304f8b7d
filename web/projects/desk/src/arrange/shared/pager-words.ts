import type { Pager } from '@plindo/core/structure';

/** How visitors come to further listings, each with how it is told. */
export const PAGER_WORDS: readonly (readonly [Pager, string])[] = [
  ['numbered', 'numbered pages'],
  ['more', '“Show more”'],
  ['endless', 'more by itself'],
];
