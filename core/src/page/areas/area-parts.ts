import type { Box, Drop, ListDesign, Query, QueryResult, QueryScene } from '../../query/index.js';
import { BLANK_QUERY, countQuery, nearestDrop, ownSortKey, sortKeyOf } from '../../query/index.js';
import { HOUSE_SORT_KEY, NEAREST_SORT_KEY, RELEVANCE_SORT_KEY } from '../../structure/index.js';
import type { Formats, SiteWords } from '../../values/index.js';
import type { CardExtras } from '../cards/card-maker.js';
import type { CardModel } from '../cards/card-model.js';
import { distanceWords } from '../facets/distance-facet.js';
import { categoryModel, chipModels, facetModels } from '../facets/facet-models.js';
import type { FacetScene, HrefOf } from '../facets/facet-scene.js';
import type { PageScene } from '../frame.js';
import type {
  CategoryModel,
  ChipModel,
  DropModel,
  DateGroupModel,
  FacetModel,
  JumpModel,
  PagerModel,
  SortModel,
} from './area-models.js';
import { groupModels, jumpModels } from './group-models.js';
import type { ListArea } from './list-area.js';
import type { PointsModel } from './map-points.js';
import { mapPoints } from './map-points.js';
import { pagerModel } from './pager.js';

/** What is known of an area before its parts are made. */
export interface AreaFound {
  readonly area: ListArea;
  readonly result: QueryResult;
  /** Gives the address of the page with the area in another state. */
  readonly hrefOf: HrefOf;
  readonly queries: QueryScene;
}

/** All that the pieces of a page show of an area; each shows its part. */
export interface AreaParts {
  readonly design: ListDesign;
  readonly text: string;
  readonly total: number;
  /** Listings of the list on the site, whatever is chosen. */
  readonly outOf: number;
  /** "38 of 160 berths": what is announced. */
  readonly countSentence: string;
  /** A sentence when no listing has all the words of a search, '' else. */
  readonly searchNote: string;
  /** What to take back when nothing is found. */
  readonly drop: DropModel | null;
  readonly facets: () => readonly FacetModel[];
  readonly chips: readonly ChipModel[];
  /** The one category that is chosen, when its set says anything of it; else null. */
  readonly category: CategoryModel | null;
  readonly clearHref: string;
  readonly sorts: readonly SortModel[];
  /** How many listings stand on the pages before its own. */
  readonly before: number;
  /** The ids of its page, in order. */
  readonly ids: readonly number[];
  /** How many cards lead the page as featured, when those of the listings are given. */
  readonly leading: (cards: readonly CardModel[]) => number;
  readonly groups: (cardFor: CardFor) => readonly DateGroupModel[];
  /** How far a listing is from the place that the visitor named, and the words of the search. */
  readonly extrasOf: (id: number) => CardExtras;
  readonly jumps: readonly JumpModel[];
  /** The part of a map that is chosen, and what to draw on it. */
  readonly box: Box | null;
  readonly points: () => PointsModel;
  readonly pager: PagerModel;
  /** What leads to the list in another order. */
  readonly sortHref: (key: string) => string;
}

export type CardFor = (id: number) => CardModel | null;

/** What the pieces of a page show of an area. */
export function areaParts({ context }: PageScene, { area, result, hrefOf, queries }: AreaFound): AreaParts {
  const { list, query } = area;
  const { design } = list;
  const { formats } = context;
  const countOf = (other: Query): number => countQuery(list, other, queries);
  const outOf = countOf(BLANK_QUERY);
  const facetScene: FacetScene = { design, query, counts: result.counts, scene: queries, hrefOf, countOf };
  const drop = result.total === 0 ? nearestDrop(query, countOf) : null;
  const { pager: mode, pageSize } = design;
  return {
    ...{ design, text: query.text, total: result.total, outOf, ids: result.ids },
    before: query.fromFirst ? 0 : (query.page - 1) * pageSize,
    countSentence: countSentence(result.total, outOf, design, formats.words),
    searchNote: searchNote(result, design, formats.words),
    drop: drop && dropModel(drop, area, hrefOf, formats.words),
    facets: () => facetModels(facetScene),
    chips: chipModels(facetScene),
    category: categoryModel(facetScene),
    clearHref: hrefOf({ ...BLANK_QUERY, sort: query.sort }),
    sorts: sortModels(design, query, result.near !== null, hrefOf, formats.words),
    leading: (cards) => leadingFeatured(cards, area, result),
    groups: (cardFor) => groupModels(design, result.groups, formats, cardFor),
    extrasOf: extrasOf(area, result, formats),
    jumps: jumpModels(design, query, result.groups, formats, hrefOf),
    ...{ box: query.box ?? null, points: () => mapPoints(area, queries) },
    pager: pagerModel({ mode, entries: result.entries, pageSize, query }, hrefOf),
    sortHref: (key) => hrefOf({ ...query, sort: key, page: 1, fromFirst: false }),
  };
}

/** What a card says of the list that it stands in. */
function extrasOf({ list, query }: ListArea, { near }: QueryResult, formats: Formats): AreaParts['extrasOf'] {
  const unit = list.design.facets.find(({ control }) => control === 'distance')?.unit ?? 'km';
  return (id) => {
    const metres = near?.metres.get(id);
    const distance = metres === undefined ? '' : distanceWords(metres, unit, formats);
    return { search: query.text, distance };
  };
}

/** What is said when no listing has all the words of a search. */
function searchNote({ words, total }: QueryResult, kind: Pick<ListDesign, 'one'>, site: SiteWords): string {
  if (!words || words.met === words.wanted || total === 0) return '';
  const { met, wanted } = words;
  return site.say('search.some-words', { one: site.inSentence(kind.one), met, wanted });
}

function dropModel(drop: Drop, { list, query }: ListArea, hrefOf: HrefOf, words: SiteWords): AreaParts['drop'] {
  const facet = list.design.facets.find(({ key }) => key === drop.facet);
  const isText = drop.query.text !== query.text;
  const label = facet?.label ?? words.say(isText ? 'chip.search' : 'chip.the-box', { text: query.text });
  return { label, href: hrefOf(drop.query), total: drop.total };
}

/** How many cards stand in the Featured strip: those that the house order puts first on the first page. */
function leadingFeatured(cards: readonly CardModel[], { list, query }: ListArea, result: QueryResult): number {
  const sort = sortKeyOf(query, { isSearch: query.text !== '', isNear: result.near !== null });
  const isFirstPage = query.page === 1 || query.fromFirst;
  if (sort !== HOUSE_SORT_KEY || !isFirstPage || list.design.defaultOrder[0]?.by !== '@featured') return 0;
  const end = cards.findIndex((card) => !card.featured);
  return end === -1 ? cards.length : end;
}

/** "160 berths", "38 of 160 berths", "No berths yet". */
export function countSentence(
  total: number,
  outOf: number,
  kind: Pick<ListDesign, 'one' | 'many'>,
  words: SiteWords,
): string {
  const nouns = nounsOf(kind, words);
  if (outOf === 0) return words.say('count.none-yet', nouns);
  return words.say(total === outOf ? 'count.all' : 'count.some', { ...nouns, found: total, count: outOf });
}

/** What one listing and several are called inside a sentence. */
export function nounsOf(
  { one, many }: Pick<ListDesign, 'one' | 'many'>,
  words: SiteWords,
): Record<'one' | 'many', string> {
  return { one: words.inSentence(one), many: words.inSentence(many) };
}

/** The orders that every list has beside its sort choices: by what was searched, by distance, and its own. */
export function ownSorts(
  { defaultOrder }: Pick<ListDesign, 'defaultOrder'>,
  words: SiteWords,
): Pick<SortModel, 'key' | 'label'>[] {
  const isFeaturedFirst = defaultOrder[0]?.by === '@featured';
  return [
    { key: RELEVANCE_SORT_KEY, label: words.say('sort.best') },
    { key: NEAREST_SORT_KEY, label: words.say('sort.nearest') },
    { key: HOUSE_SORT_KEY, label: words.say(isFeaturedFirst ? 'sort.featured' : 'sort.arranged') },
  ];
}

function sortModels(
  design: Pick<ListDesign, 'defaultOrder' | 'sortChoices'>,
  query: Query,
  isNear: boolean,
  hrefOf: (query: Query) => string,
  words: SiteWords,
): SortModel[] {
  const isSearch = query.text !== '';
  const isOffered = ({ key }: Pick<SortModel, 'key'>): boolean =>
    key === RELEVANCE_SORT_KEY ? isSearch : key === HOUSE_SORT_KEY || isNear;
  const offered = [...ownSorts(design, words).filter(isOffered), ...design.sortChoices];
  const byItself = ownSortKey(isSearch, isNear);
  const current = query.sort ?? byItself;
  return offered.map(({ key, label }) => ({
    key,
    label,
    href: hrefOf({ ...query, sort: key === byItself ? null : key, page: 1 }),
    current: key === current,
  }));
}
