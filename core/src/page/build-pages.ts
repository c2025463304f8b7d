import type { Listing } from '../listings/index.js';
import type { Drop, Query, QueryResult, QueryScene } from '../query/index.js';
import { BLANK_QUERY, addressOfQuery, kindsOf, ownSortKey, sortKeyOf } from '../query/index.js';
import type { Kind, KindDefinition } from '../structure/index.js';
import { HOUSE_SORT_KEY, NEAREST_SORT_KEY, RELEVANCE_SORT_KEY } from '../structure/index.js';
import type { Formats } from '../values/index.js';
import { distanceWords } from './facets/distance-facet.js';
import { categoryModel, chipModels, facetModels } from './facets/facet-models.js';
import type { FacetScene, HrefOf } from './facets/facet-scene.js';
import type { PageScene } from './frame.js';
import { frame } from './frame.js';
import { groupModels, jumpModels } from './group-models.js';
import type { CardMaker } from './cards/card-maker.js';
import type { CardModel } from './cards/card-model.js';
import type { IndexPage, NotFoundPage, SortModel } from './page-model.js';
import { pagerModel } from './pager.js';

export interface IndexInput {
  /** The kind as the list arranges it: its facets, order, grouping and address. */
  readonly kind: Kind;
  /** What stands above the list where it isn't the kind's own page. */
  readonly heading?: string;
  readonly query: Query;
  readonly result: QueryResult;
  /** The listings of the page, each once, in any order. */
  readonly listings: readonly Listing[];
  /** Listings of the kind on the site, whatever is chosen. */
  readonly outOf: number;
  /** What to take back when nothing is found. */
  readonly drop: Drop | null;
  readonly queries: QueryScene;
  readonly countOf: (query: Query) => number;
  readonly maker: CardMaker;
}

/** The index page of a kind in the state of a query. */
export function indexPage(scene: PageScene, input: IndexInput): IndexPage {
  const { kind, query, result, outOf, queries, countOf, heading = kind.many } = input;
  const { formats } = scene.context;
  const hrefOf = (state: Query): string => addressOfQuery(state, kind, kindsOf(queries));
  const cardFor = cardMaker(scene, input);
  const cards = result.groups ? [] : result.ids.flatMap((id) => cardFor(id) ?? []);
  const leading = leadingFeatured(cards, input);
  const groups = groupModels(kind, result.groups, formats, cardFor);
  const facetScene: FacetScene = { kind, query, counts: result.counts, scene: queries, hrefOf, countOf };
  return {
    ...frame(scene, { title: heading, description: kind.intro, canonical: hrefOf(query) }),
    type: 'index',
    kind: { slug: kind.slug, one: kind.one, many: kind.many, intro: kind.intro },
    heading,
    text: query.text,
    isSearchable: true,
    total: result.total,
    outOf,
    countSentence: countSentence(result.total, outOf, kind, formats),
    searchNote: searchNote(result, kind),
    drop: dropModel(input, hrefOf),
    facets: facetModels(facetScene),
    chips: chipModels(facetScene),
    category: categoryModel(facetScene),
    clearHref: hrefOf({ ...BLANK_QUERY, sort: query.sort }),
    sorts: sortModels(kind, query, result.near !== null, hrefOf),
    featured: cards.slice(0, leading),
    cards: cards.slice(leading),
    groups,
    cardForms: input.maker.forms,
    jumps: jumpModels(kind, query, result.groups, formats, hrefOf),
    pager: pagerModel({ mode: kind.pager, entries: result.entries, pageSize: kind.pageSize, query }, hrefOf),
  };
}

/** Makes the card of a listing of the page; null for one that is gone since the answer was worked out. */
function cardMaker(
  scene: PageScene,
  { kind, query, result, listings, maker }: IndexInput,
): (id: number) => CardModel | null {
  const byId = new Map(listings.map((listing) => [listing.id, listing]));
  const unit = kind.facets.find(({ control }) => control === 'distance')?.unit ?? 'km';
  return (id) => {
    const listing = byId.get(id);
    const own = listing && scene.kindById(listing.kindId);
    if (!listing || !own) return null;
    const metres = result.near?.metres.get(id);
    const distance =
      metres === undefined ? '' : distanceWords(metres, unit, (value) => scene.context.formats.number(value));
    return maker.card(listing, own, { search: query.text, distance });
  };
}

/** What is said when no listing has all the words of a search. */
function searchNote({ words, total }: QueryResult, kind: Pick<Kind, 'one'>): string {
  if (!words || words.met === words.wanted || total === 0) return '';
  const noun = inSentence(kind.one);
  return `No ${noun} has all of these words; shown is what has ${words.met} of the ${words.wanted}.`;
}

function dropModel({ drop, kind, query }: IndexInput, hrefOf: HrefOf): IndexPage['drop'] {
  if (!drop) return null;
  const facet = kind.facets.find(({ key }) => key === drop.facet);
  const label = facet ? facet.label : `“${query.text}”`;
  return { label, href: hrefOf(drop.query), total: drop.total };
}

/** How many cards stand in the Featured strip: those that the house order puts first on the first page. */
function leadingFeatured(cards: readonly CardModel[], { query, kind, result }: IndexInput): number {
  const sort = sortKeyOf(query, { isSearch: query.text !== '', isNear: result.near !== null });
  const isFirstPage = query.page === 1 || query.fromFirst;
  if (sort !== HOUSE_SORT_KEY || !isFirstPage || kind.defaultOrder[0]?.by !== '@featured') return 0;
  const end = cards.findIndex((card) => !card.featured);
  return end === -1 ? cards.length : end;
}

/** "160 berths", "38 of 160 berths", "No berths". */
export function countSentence(
  total: number,
  outOf: number,
  kind: Pick<Kind, 'one' | 'many'>,
  formats: Formats,
): string {
  const noun = inSentence(outOf === 1 ? kind.one : kind.many);
  if (outOf === 0) return `No ${noun} yet`;
  return total === outOf
    ? `${formats.number(total)} ${noun}`
    : `${formats.number(total)} of ${formats.number(outOf)} ${noun}`;
}

/** A label inside a sentence: "Berths" becomes "berths", "VIP rooms" stays. */
export function inSentence(label: string): string {
  return /^\p{Lu}\p{Ll}/u.test(label) ? label.charAt(0).toLowerCase() + label.slice(1) : label;
}

function sortModels(
  kind: KindDefinition,
  query: Query,
  isNear: boolean,
  hrefOf: (query: Query) => string,
): SortModel[] {
  const isSearch = query.text !== '';
  const own = [
    { key: RELEVANCE_SORT_KEY, label: 'Best match', isOffered: isSearch },
    { key: NEAREST_SORT_KEY, label: 'Nearest first', isOffered: isNear },
    {
      key: HOUSE_SORT_KEY,
      label: kind.defaultOrder[0]?.by === '@featured' ? 'Featured first' : 'As arranged',
      isOffered: true,
    },
  ];
  const offered = [...own.filter(({ isOffered }) => isOffered), ...kind.sortChoices];
  const byItself = ownSortKey(isSearch, isNear);
  const current = query.sort ?? byItself;
  return offered.map(({ key, label }) => ({
    key,
    label,
    href: hrefOf({ ...query, sort: key === byItself ? null : key, page: 1 }),
    current: key === current,
  }));
}

export function notFoundPage(scene: PageScene): NotFoundPage {
  return { ...frame(scene, { title: 'Nothing here', description: '', canonical: '/' }), type: 'not-found' };
}
