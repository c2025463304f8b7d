import type { Design, PageDesign, Piece, Strip, Viewer } from '../../design/index.js';
import { piecesOfPage, plainWords, slotsOfPage, steeredLists, waysOfSlots } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import { hasLeft, shownParts } from '../../listings/index.js';
import type { Query, QueryScene } from '../../query/index.js';
import { kindsOf, ownSortKey, runQuery, urlOfQuery } from '../../query/index.js';
import type { Kind, KindById } from '../../structure/index.js';
import type { AreaFound } from '../areas/area-parts.js';
import { areaParts } from '../areas/area-parts.js';
import type { ListArea, ListScene } from '../areas/list-area.js';
import { addressOfAreas } from '../areas/list-area.js';
import { CardMaker } from '../cards/card-maker.js';
import type { HeldCards } from '../cards/held-cards.js';
import { NO_HELD_CARDS, isPlainCard } from '../cards/held-cards.js';
import { readLinked } from '../cards/linked-listings.js';
import type { ShownListing } from '../cards/reached-values.js';
import { holdsOf, wordsOf } from '../cards/slot-value.js';
import { forMachines } from '../for-machines.js';
import type { PageScene } from '../frame.js';
import { frame } from '../frame.js';
import type { AreaModel, DesignedPage, OnScreens, StripModel } from '../page-model.js';
import type { CategoryOfPage, ListAnswer, ListQuestion, PieceMaking, ShownArea } from '../pieces/piece-maker.js';
import type { PieceModel } from '../pieces/piece-models.js';
import { makerOf } from '../pieces/registry.js';
import type { SendingState } from '../forms/sending-state.js';
import type { ChosenListings } from '../visitor/chosen-listings.js';
import type { FoundList } from './page-lists.js';
import { NOTHING_FOUND, findList } from './page-lists.js';
import type { ShownScene } from './shown-when.js';
import { dependsOnViewer, screensOf, shownOf } from './shown-when.js';

/** What a designed page is filled with. */
export interface DesignedSource extends ListScene {
  /** The listings with these ids, complete, in any order. */
  listings(ids: readonly number[]): Promise<readonly Listing[]>;
  /** Cards that still hold; none where it is left out. */
  readonly cards?: HeldCards;
}

/** What a page is about, and the address that it has. */
export interface PageSubject {
  readonly canonical: string;
  readonly listing: Listing | null;
  readonly kind: Kind | null;
  /** The lists on it that visitors steer, each in its state. */
  readonly areas: readonly ListArea[];
  /** The category that it is about; none where it is left out. */
  readonly category?: CategoryOfPage | null;
  /** What the address says that the visitor chose; nothing where it is left out. */
  readonly chosen?: ChosenListings;
  /** What the visitor is sending in; nothing where it is left out. */
  readonly sending?: SendingState;
  /** Who looks at it; any visitor where it is left out. */
  readonly viewer?: Viewer;
}

/**
 * Makes a page by its design. It first collects the questions of all pieces, asks each once, reads all listings in one go, and then makes
 * the pieces.
 */
export async function designedPage(
  scene: PageScene,
  design: PageDesign,
  subject: PageSubject,
  source: DesignedSource,
): Promise<DesignedPage> {
  const { listing } = subject;
  const known = new Map<number, Listing>(listing ? [[listing.id, listing]] : []);
  const linked = (id: number): Listing | undefined => known.get(id);
  const shown = shownListing(scene, subject, linked);
  const page = shownOf(design, shownScene(shown, subject));
  const found = findAll(page, shown, subject.chosen ?? null, source);
  const areas = findAreas(page, subject, source.queries);
  const read = async (ids: readonly number[]): Promise<readonly Listing[]> => {
    const listings = await source.listings(ids);
    for (const one of listings) known.set(one.id, one);
    return listings;
  };
  const listed = await read(idsToRead(page, found, areas, source.cards ?? NO_HELD_CARDS));
  const ways = waysOfSlots(slotsOfPage(page));
  await readLinked(listing ? [...listed, listing] : listed, scene, read, (one) => (one === listing ? ways : []));
  const viewer = { dependsOnViewer: dependsOnViewer(design) };
  return made(scene, page, subject, { found, areas, linked, queries: source.queries, cards: source.cards, ...viewer });
}

/** A page of a listing alone: without the listings that it would show of others. */
export function pageOf(scene: PageScene, design: PageDesign, subject: PageSubject): DesignedPage {
  const linked = (): undefined => undefined;
  const page = shownOf(design, shownScene(shownListing(scene, subject, linked), subject));
  const nothing = { found: new Map<string, FoundList>(), areas: [], queries: null };
  return made(scene, page, subject, { ...nothing, linked, dependsOnViewer: dependsOnViewer(design) });
}

function shownListing(
  { context, kindById }: PageScene,
  { listing, kind }: PageSubject,
  linked: ShownListing['linked'],
): ShownListing | null {
  return listing && kind ? { listing, kind, context, kindById, linked, distance: '' } : null;
}

function shownScene(shown: ShownListing | null, { areas, category, viewer = 'visitor' }: PageSubject): ShownScene {
  return { shown, areas, viewer, categories: category?.path ?? [] };
}

/** What was found for a page. */
interface Found extends Pick<PieceMaking, 'linked' | 'queries'> {
  /** Of the whole design, before anything was left out of it. */
  readonly dependsOnViewer: boolean;
  readonly found: ReadonlyMap<string, FoundList>;
  readonly areas: readonly AreaFound[];
  readonly cards?: HeldCards | undefined;
}

/** Makes a page of what was found for it. */
function made(
  scene: PageScene,
  page: PageDesign,
  subject: PageSubject,
  { found, areas, linked, queries, cards = NO_HELD_CARDS, dependsOnViewer: isPersonal }: Found,
): DesignedPage {
  const shown = shownListing(scene, subject, linked);
  const maker = new CardMaker(scene, linked);
  const answer = (question: ListQuestion): ListAnswer => found.get(keyOf(question)) ?? NOTHING_FOUND;
  const cardOf = cardsFrom({ maker, linked, cards, kindById: scene.kindById });
  const byName = new Map(areas.map((one) => [one.area.key, { parts: areaParts(scene, one), ...handleOf(one.area) }]));
  const areaNamed = (name: string): ShownArea | null => byName.get(name) ?? null;
  const { category = null, chosen = null, sending = null, canonical } = subject;
  const making: PieceMaking = {
    ...{ page: scene, shown, category, chosen, sending, canonical },
    ...{ cardOf, linked, queries, answer, areaNamed },
  };
  const strips = page.strips.flatMap((strip) => stripModel(strip, making) ?? []);
  const textOf = (text: PageDesign['title']): string => (shown ? (wordsOf(text, shown)?.text ?? '') : plainWords(text));
  const { listing, kind } = subject;
  const title = textOf(page.title) || (category?.category.label ?? '');
  const description = textOf(page.description) || (category?.category.text ?? '');
  const over = shown ? overSentence(shown) : '';
  return {
    ...frame(scene, { title, description, canonical }),
    type: 'designed',
    serves: page.serves,
    dependsOnViewer: isPersonal,
    listing: listing && kind ? { id: listing.id, kindId: kind.id, title: listing.title } : null,
    over,
    strips,
    cardForms: maker.forms,
    areas: areas.map(({ area }) => areaModel(area, subject, scene)),
    forMachines: forMachines(scene, strips, {
      serves: page.serves,
      shown: over ? null : shown,
      category,
      title,
      canonical,
    }),
  };
}

/** That a listing is over, and since when; '' for one that isn't. */
function overSentence({ listing, kind, context }: ShownListing): string {
  const { formats } = context;
  const parts = shownParts(listing, kind, context.zone);
  if (!hasLeft(parts, context.nowInMs)) return '';
  const one = formats.words.inSentence(kind.one);
  return formats.words.say('over.text', { one, day: formats.day(parts.leavesAt!) });
}

function findAreas(page: PageDesign, { areas }: PageSubject, queries: QueryScene | null): AreaFound[] {
  // A strip that is not shown asks for nothing.
  const names = new Set(steeredLists(page).map(({ settings }) => settings.name));
  const shown = areas.filter(({ key }) => names.has(key));
  if (!queries) return [];
  return shown.map((area) => {
    const hrefOf = (query: Query): string => {
      return addressOfAreas(area.list.design.path, areas, kindsOf(queries), { area, query });
    };
    return { area, result: runQuery(area.list, area.query, queries), hrefOf, queries };
  });
}

function handleOf({ key, list }: ListArea): Omit<ShownArea, 'parts'> {
  const { prefix } = list.design;
  return { form: formOfArea(key), name: (part) => prefix + part };
}

function formOfArea(key: string): string {
  return key === '' ? 'find' : `find-${key}`;
}

function areaModel({ key, list, query }: ListArea, { areas }: PageSubject, { kindById }: PageScene): AreaModel {
  const { path, prefix } = list.design;
  const others = areas.filter((area) => area.key !== key);
  const told = new URLSearchParams(others.map((area) => urlOfQuery(area.query, area.list.design, kindById)).join('&'));
  const byItself = ownSortKey(
    query.text !== '',
    [...query.choices.values()].some(({ kind }) => kind === 'near'),
  );
  return { key, form: formOfArea(key), path, others: [...told], sort: { name: `${prefix}sort`, byItself } };
}

function findAll(
  page: PageDesign,
  shown: ShownListing | null,
  chosen: ChosenListings | null,
  scene: ListScene,
): Map<string, FoundList> {
  const found = new Map<string, FoundList>();
  for (const piece of piecesOfPage(page)) {
    const question = makerOf(piece).question?.(piece.settings);
    const key = question && keyOf(question);
    if (question && key && !found.has(key)) found.set(key, findList(question, shown, chosen, scene));
  }
  return found;
}

function keyOf(question: ListQuestion): string {
  return JSON.stringify([question.from, question.of, question.fields, question.most]);
}

/** The listings that have to be read: of those of which cards are shown only, the ones that have none that still holds. */
function idsToRead(
  page: PageDesign,
  found: ReadonlyMap<string, FoundList>,
  areas: readonly AreaFound[],
  cards: HeldCards,
): number[] {
  const whole = new Set<number>();
  const asCards = new Set<number>();
  for (const piece of piecesOfPage(page)) {
    const maker = makerOf(piece);
    const question = maker.question?.(piece.settings);
    const into = maker.needsListings?.(piece.settings) ? whole : asCards;
    for (const id of (question && found.get(keyOf(question))?.ids) ?? []) into.add(id);
    if (piece.type !== 'list' || question) continue;
    const area = areas.find(({ area: { key } }) => key === piece.settings.name);
    const isPlain = area?.area.query.text === '' && area.result.near === null;
    for (const id of area?.result.ids ?? []) (isPlain ? into : whole).add(id);
  }
  return [...new Set([...whole, ...[...asCards].filter((id) => !cards.get(id))])];
}

/** What gives the card of a listing: one that still holds, or a new one of the listing as it was read. */
function cardsFrom({
  maker,
  linked,
  cards,
  kindById,
}: Pick<PieceMaking, 'linked'> & {
  readonly maker: CardMaker;
  readonly cards: HeldCards;
  readonly kindById: KindById;
}): PieceMaking['cardOf'] {
  return (id, extras) => {
    const held = isPlainCard(extras) ? cards.get(id) : undefined;
    if (held) return maker.again(held.card, held.kind);
    const listing = linked(id);
    const kind = listing && kindById(listing.kindId);
    if (!listing || !kind) return null;
    const card = maker.card(listing, kind, extras);
    if (isPlainCard(extras)) cards.keep(card, listing, kind);
    return card;
  };
}

function stripModel(strip: Strip, making: PieceMaking): StripModel | null {
  const columns = strip.columns.map(({ key, share, rem, order, pieces }) => ({
    ...{ key, share, rem, order },
    pieces: pieces.flatMap((piece) => pieceModel(piece, making) ?? []),
  }));
  const isEmpty = columns.every(({ pieces }) => pieces.length === 0);
  if (isEmpty || screensOf(strip) === 'none') return null;
  const { key, width, tone, picture, space, anchor } = strip;
  const look = { key, width, tone, picture, space, anchor, ...onScreens(strip) };
  // A column without anything leaves its room to the others.
  return { ...look, columns: columns.filter(({ pieces }) => pieces.length > 0) };
}

function pieceModel(piece: Piece, making: PieceMaking): PieceModel | null {
  if (screensOf(piece) === 'none') return null;
  const made = makerOf(piece).make(piece.settings, making);
  const place = { key: piece.key, ...onScreens(piece) };
  if (made) return { ...made, ...place };
  return piece.nothing === '' ? null : { type: 'nothing', ...place, sentence: piece.nothing };
}

/** Most strips and pieces say nothing here, because they are for all screens. */
function onScreens(one: Strip | Piece): OnScreens {
  const screens = screensOf(one);
  return screens && screens !== 'none' ? { screens } : {};
}

/**
 * Which of the pages that serve categories of a kind serves one: the one that names it or the nearest category above it;
 * `path` is its key with those above it.
 */
export function pageForCategory<Page extends { readonly definition: Pick<PageDesign, 'categories'> }>(
  pages: readonly Page[],
  path: readonly string[],
): Page | null {
  const wanted = [...path, null];
  for (const key of wanted) {
    const found = pages.find(({ definition: { categories } }) =>
      key === null ? categories.length === 0 : categories.includes(key),
    );
    if (found) return found;
  }
  return null;
}

type Serving = Pick<Extract<Design, { type: 'page' }>, 'definition'>;

/** Which of the pages that serve listings of a kind serves one: the first for which what it asks holds. */
export function pageServing<Page extends Serving>(pages: readonly Page[], shown: ShownListing): Page | null {
  return inServingOrder(pages).find((page) => holdsFor(page, shown)) ?? null;
}

/** Pages in the order in which they are tried: what asks for most goes first, then what stands first in the Desk. */
export function inServingOrder<Page extends Serving>(pages: readonly Page[]): Page[] {
  return [...pages].sort((a, b) => askedBy(b) - askedBy(a));
}

/** How many things a page asks of the listings that it serves. */
export function askedBy({ definition: { when } }: Serving): number {
  return when?.of.length ?? 0;
}

/** Whether a listing has all that a page asks of it. */
export function holdsFor({ definition: { when } }: Serving, shown: ShownListing): boolean {
  return !when || holdsOf(when, shown);
}
