import type { Listing } from '../listings/index.js';
import { BLANK_QUERY } from '../query/index.js';
import type { Kind, Selection } from '../structure/index.js';
import { SELECTIONS_SLUG } from '../structure/index.js';
import type { PageScene } from './frame.js';
import { frame } from './frame.js';
import type { IndexPage } from './page-model.js';
import { pagerModel } from './pager.js';
import { cardOf } from './slots.js';

export interface MixedInput {
  readonly selection: Selection;
  /** Counted from 1. */
  readonly page: number;
  readonly total: number;
  /** The page's listings, in order. */
  readonly listings: readonly Listing[];
  readonly kindOf: (id: number) => Kind | undefined;
}

/** The page of a selection of several kinds, or picked by hand: its cards in order, page by page. */
export function mixedPage(scene: PageScene, { selection, page, total, listings, kindOf }: MixedInput): IndexPage {
  const slug = `${SELECTIONS_SLUG}/${selection.slug}`;
  const hrefOf = (at: number): string => (at === 1 ? `/${slug}` : `/${slug}?page=${at}`);
  const cards = listings.flatMap((listing) => {
    const kind = kindOf(listing.kindId);
    return kind ? [cardOf(listing, kind, scene.context)] : [];
  });
  const noun = total === 1 ? 'listing' : 'listings';
  return {
    ...frame(scene, { title: selection.name, description: '', canonical: hrefOf(page) }),
    type: 'index',
    kind: { slug, one: 'Listing', many: selection.name, intro: '' },
    heading: selection.name,
    text: '',
    isSearchable: false,
    total,
    outOf: total,
    countSentence: total === 0 ? 'No listings yet' : `${scene.context.formats.number(total)} ${noun}`,
    searchNote: '',
    drop: null,
    facets: [],
    chips: [],
    category: null,
    clearHref: hrefOf(1),
    sorts: [],
    featured: [],
    cards,
    groups: [],
    jumps: [],
    pager: pagerModel(
      { mode: 'numbered', entries: total, pageSize: selection.pageSize, query: { ...BLANK_QUERY, page } },
      (query) => hrefOf(query.page),
    ),
  };
}
