import { firstFreeSlug } from '../../values/index.js';
import { pieceTypeOf } from '../pieces/registry.js';
import { plainWords } from '../slots/text-with-values.js';
import type { DesignStep } from '../steps.js';
import type { PageColumn, PageDesign, Piece, Strip } from './page-design.js';
import { makePage, slotsOfPiece } from './page-design.js';
import type { PageItem, PiecePlace } from './page-places.js';
import { itemsOfPage, keyOfItem, pathOfPlace, placeOfPiece } from './page-places.js';

type PieceItem = Extract<PageItem, { of: 'piece' }>;
type StripItem = Extract<PageItem, { of: 'strip' }>;

/** What a piece is called: its sort, and the first words that it shows of itself. */
export function pieceName(piece: Piece): string {
  const { label } = pieceTypeOf(piece.type);
  const [first] = slotsOfPiece(piece);
  const words = first ? plainWords(first.text).trim() : '';
  return words === '' || words === '-' ? label : `${label}: ${words}`;
}

/** What a strip is called: its name, else its place. */
export function stripName({ name }: Pick<Strip, 'name'>, at: number): string {
  return name || `Strip ${at + 1}`;
}

/** Puts a piece into a place, under a key of its own; null when there is no such place. */
export function addPiece(page: PageDesign, place: PiecePlace, given: Piece): DesignStep | null {
  const at = pathOfPlace(page, place);
  const item = { ...given, key: freeKey(page, given.type) };
  return at && { act: 'add', at, item, words: `Added ${pieceName(item)}` };
}

/** Puts a copy of a piece right behind it. */
export function copyPiece(page: PageDesign, { piece, at }: PieceItem): DesignStep {
  const item = { ...piece, key: freeKey(page, piece.type) };
  return { act: 'add', at: [...at.slice(0, -1), Number(at.at(-1)) + 1], item, words: `Copied ${pieceName(piece)}` };
}

/** Moves a piece; `to` is its place once it has been taken out. Null when it stands there already. */
export function movePiece(page: PageDesign, item: PieceItem, to: PiecePlace): DesignStep | null {
  const [from, path] = [placeOfPiece(page, item), pathOfPlace(page, to)];
  if (!path || (from.column === to.column && from.at === to.at)) return null;
  return { act: 'move', from: item.at, to: path, words: `Moved ${pieceName(item.piece)}` };
}

/** Changes what is said of a piece, its settings among it. */
export function changePiece({ piece, at }: PieceItem, change: Partial<Omit<Piece, 'key' | 'type'>>): DesignStep {
  const after = { ...piece, ...change } as Piece;
  return { act: 'set', at, before: piece, after, words: `Changed ${pieceName(after)}` };
}

/** Puts an empty strip of so many columns, or a copy of one, into a place from 0. */
export function addStrip(page: PageDesign, at: number, columns: number): DesignStep {
  const sketch = { columns: Array.from({ length: columns }, () => ({ pieces: [] })) };
  const [made] = makePage({ name: '', serves: page.serves, strips: [sketch] }).strips;
  return { act: 'add', at: ['strips', at], item: withFreeKeys(page, made!), words: 'Added a strip' };
}

/** Puts a copy of a strip right behind it. */
export function copyStrip(page: PageDesign, { strip, at }: StripItem): DesignStep {
  const place = Number(at[1]);
  const item = withFreeKeys(page, strip);
  return { act: 'add', at: ['strips', place + 1], item, words: `Copied ${stripName(strip, place)}` };
}

/** Puts a strip that was copied before, from this page or another one, into a place from 0. */
export function pasteStrip(page: PageDesign, at: number, strip: Strip): DesignStep {
  return { act: 'add', at: ['strips', at], item: withFreeKeys(page, strip), words: `Added ${stripName(strip, at)}` };
}

export function changeStrip({ strip, at }: StripItem, change: Partial<Omit<Strip, 'key'>>): DesignStep {
  const after = { ...strip, ...change };
  return { act: 'set', at, before: strip, after, words: `Changed ${stripName(after, Number(at[1]))}` };
}

/** Moves a strip to a place from 0, which is its place once it has been taken out; null when it stands there already. */
export function moveStrip({ strip, at }: StripItem, to: number): DesignStep | null {
  const from = Number(at[1]);
  return from === to ? null : { act: 'move', from: at, to: ['strips', to], words: `Moved ${stripName(strip, from)}` };
}

/** Takes out a strip or a piece. */
export function removeItem(item: StripItem | PieceItem): DesignStep {
  const isStrip = item.of === 'strip';
  const name = isStrip ? stripName(item.strip, Number(item.at[1])) : pieceName(item.piece);
  return { act: 'remove', at: item.at, item: isStrip ? item.strip : item.piece, words: `Took out ${name}` };
}

/** Gives a strip so many columns; what stood in those that go moves into the last one that stays. */
export function setColumns(page: PageDesign, item: StripItem, count: number): DesignStep {
  const { columns } = item.strip;
  const kept = columns.slice(0, count);
  const moved = columns.slice(count).flatMap(({ pieces }) => pieces);
  const last = kept.at(-1);
  const filled =
    last && moved.length > 0 ? [...kept.slice(0, -1), { ...last, pieces: [...last.pieces, ...moved] }] : kept;
  const [empty] = makePage({ name: '', serves: page.serves, strips: [{ columns: [{ pieces: [] }] }] }).strips;
  const taken = keysOfPage(page);
  const added = Array.from({ length: Math.max(0, count - columns.length) }, (_, at): PageColumn => {
    const key = firstFreeSlug(`${item.strip.key}-column`, (candidate) => taken.has(candidate));
    taken.add(key);
    return { ...empty!.columns[0]!, key, order: columns.length + at + 1 };
  });
  return changeStrip(item, { columns: [...filled, ...added] });
}

export function changeColumn(
  { column, strip, at }: Extract<PageItem, { of: 'column' }>,
  change: Partial<Omit<PageColumn, 'key' | 'pieces'>>,
): DesignStep {
  const words = `Changed a column of ${stripName(strip, Number(at[1]))}`;
  return { act: 'set', at, before: column, after: { ...column, ...change }, words };
}

/** Changes what is said of the page as a whole. */
export function changePage<Key extends Exclude<keyof PageDesign, 'strips'>>(
  page: PageDesign,
  key: Key,
  after: PageDesign[Key],
): DesignStep {
  return { act: 'set', at: [key], before: page[key], after, words: 'Changed the page' };
}

/** Puts another page in its place. */
export function replacePage(page: PageDesign, after: PageDesign, words: string): DesignStep {
  return { act: 'set', at: [], before: page, after, words };
}

function keysOfPage(page: PageDesign): Set<string> {
  return new Set(itemsOfPage(page).map(keyOfItem));
}

function freeKey(page: PageDesign, proposed: string): string {
  const taken = keysOfPage(page);
  return firstFreeSlug(proposed, (candidate) => taken.has(candidate));
}

/** A strip all of whose keys are free on a page. */
function withFreeKeys(page: PageDesign, strip: Strip): Strip {
  const taken = keysOfPage(page);
  const free = (proposed: string): string => {
    const key = firstFreeSlug(proposed, (candidate) => taken.has(candidate));
    taken.add(key);
    return key;
  };
  const key = free('strip');
  const columns = strip.columns.map((column) => ({
    ...column,
    key: free(`${key}-column`),
    pieces: column.pieces.map((piece) => ({ ...piece, key: free(piece.type) })),
  }));
  return { ...strip, key, columns };
}
