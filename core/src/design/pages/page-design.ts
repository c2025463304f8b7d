import type { ConditionGroup, Picture } from '../../structure/index.js';
import type { PieceSettings, PieceTypeName } from '../pieces/registry.js';
import { isSteered } from '../pieces/list-settings.js';
import type { PieceNumbers } from '../pieces/piece-type.js';
import { pieceTypeOf } from '../pieces/registry.js';
import { readSettings } from '../settings/setting.js';
import type { Slot } from '../slots/slot.js';
import type { PagePurpose } from './page-purpose.js';
import type { ShownWhen } from './shown-when.js';
import { shownWhenOf } from './shown-when.js';
import { makeSlot } from '../slots/slot.js';
import type { TextWithValues } from '../slots/text-with-values.js';

export const STRIP_WIDTHS = ['content', 'full'] as const;
export const STRIP_TONES = ['plain', 'tinted', 'warm', 'dark'] as const;
export const STRIP_SPACES = ['none', 'small', 'normal', 'large'] as const;

/** A piece with what is said of pieces of every sort, and its own settings. */
export interface PieceOf<Name extends PieceTypeName> extends ShownWhen {
  /** Tells it from the others of its page. */
  readonly key: string;
  readonly type: Name;
  /** A sentence that stands there when it has nothing to show; '' leaves it out. */
  readonly nothing: string;
  readonly settings: PieceSettings<Name>;
  /** For a piece that came with a part: the show-when of the place that embeds the part. */
  readonly within?: readonly ShownWhen[];
}
export type Piece = { [Name in PieceTypeName]: PieceOf<Name> }[PieceTypeName];

export interface PageColumn {
  readonly key: string;
  /** Its share of the width that columns of fixed width leave. */
  readonly share: number;
  /** A fixed width in rem; 0 for its share. */
  readonly rem: number;
  /** On narrow screens columns stand one below the other, lower ones first. */
  readonly order: number;
  readonly pieces: readonly Piece[];
}

/** A part of a page over its whole width. */
export interface Strip extends ShownWhen {
  readonly key: string;
  readonly name: string;
  readonly width: (typeof STRIP_WIDTHS)[number];
  readonly tone: (typeof STRIP_TONES)[number];
  /** Behind it; words on it stand on a dark ground. */
  readonly picture: Picture | null;
  readonly space: (typeof STRIP_SPACES)[number];
  /** What stands behind # for it; '' for nothing. */
  readonly anchor: string;
  readonly columns: readonly PageColumn[];
  /** For a strip that came with a part: the show-when of the place that embeds the part. */
  readonly within?: readonly ShownWhen[];
}

export interface PageDesign {
  readonly name: string;
  readonly purpose: string;
  readonly serves: PagePurpose;
  /** Of a free page: its address, without the first slash. */
  readonly address: string;
  /** Whether a free page stands in the menu of the site. */
  readonly inMenu: boolean;
  /** For the title bar and for search engines; empty ones are made by what the page is for. */
  readonly title: TextWithValues;
  readonly description: TextWithValues;
  /** Of listing pages: serves those for which it holds; null for all. */
  readonly when: ConditionGroup | null;
  /** Of pages of categories: serves these and what lies under them; none for all. */
  readonly categories: readonly string[];
  /** Of the page of a selection: its number; 0 for none. */
  readonly selection: number;
  readonly strips: readonly Strip[];
}

export type PieceSketch = {
  [Name in PieceTypeName]: Pick<PieceOf<Name>, 'type'> &
    Partial<Omit<PieceOf<Name>, 'settings' | 'type'>> & {
      readonly settings?: Partial<PieceSettings<Name>>;
    };
}[PieceTypeName];
type ColumnSketch = Partial<Omit<PageColumn, 'pieces'>> & { readonly pieces: readonly PieceSketch[] };
type StripSketch = Partial<Omit<Strip, 'columns'>> & { readonly columns: readonly ColumnSketch[] };
export type PageSketch = Pick<PageDesign, 'name' | 'serves'> &
  Partial<Omit<PageDesign, 'strips'>> & { readonly strips: readonly StripSketch[] };

/** A page with every property at its plain default but those given; keys are numbered where none are given. */
export function makePage(given: PageSketch): PageDesign {
  return {
    ...{ name: given.name, purpose: given.purpose ?? '', serves: given.serves, address: given.address ?? '' },
    inMenu: given.inMenu ?? false,
    title: given.title ?? [],
    description: given.description ?? [],
    when: given.when ?? null,
    categories: given.categories ?? [],
    selection: given.selection ?? 0,
    strips: given.strips.map(makeStrip),
  };
}

function makeStrip(given: StripSketch, at: number): Strip {
  const key = given.key ?? `strip-${at + 1}`;
  return {
    ...{ key, name: given.name ?? '', width: given.width ?? 'content', tone: given.tone ?? 'plain' },
    ...{ picture: given.picture ?? null, space: given.space ?? 'normal', anchor: given.anchor ?? '' },
    ...shownWhenOf(given),
    columns: given.columns.map((column, column_at) => makeColumn(column, `${key}-${column_at + 1}`, column_at)),
  };
}

function makeColumn(given: ColumnSketch, key: string, at: number): PageColumn {
  const own = given.key ?? key;
  return {
    ...{ key: own, share: given.share ?? 1, rem: given.rem ?? 0, order: given.order ?? at + 1 },
    pieces: given.pieces.map((piece, piece_at) => makePiece(piece, `${own}-${piece_at + 1}`)),
  };
}

function makePiece(given: PieceSketch, key: string): Piece {
  const settings = readSettings(pieceTypeOf(given.type).form, given.settings ?? {}, key);
  return {
    ...{ key: given.key ?? key, type: given.type, ...shownWhenOf(given), nothing: given.nothing ?? '' },
    settings,
  } as Piece;
}

/** All pieces of a page, in the order in which they stand. */
export function piecesOfPage({ strips }: Pick<PageDesign, 'strips'>): Piece[] {
  return strips.flatMap(({ columns }) => columns.flatMap(({ pieces }) => pieces));
}

/** The lists of a page that visitors can steer, in the order in which they stand. */
export function steeredLists(page: Pick<PageDesign, 'strips'>): PieceOf<'list'>[] {
  return piecesOfPage(page).filter(
    (piece): piece is PieceOf<'list'> => piece.type === 'list' && isSteered(piece.settings),
  );
}

/** The slots of a piece; each has its settings' own key. */
export function slotsOfPiece({ type, settings }: Piece): readonly Slot[] {
  return pieceTypeOf(type).slots?.(settings) ?? [];
}

/** All slots of a page: those of its pieces, and its title and description as such. */
export function slotsOfPage(page: PageDesign): Slot[] {
  const texts = [page.title, page.description].map((text, at) => makeSlot({ key: `page-${at}`, text }));
  return [...texts, ...piecesOfPage(page).flatMap(slotsOfPiece)];
}

/** A page with other numbers of kinds and selections in its pieces. */
export function withPageNumbers(page: PageDesign, numbers: PieceNumbers): PageDesign {
  const selection = page.selection === 0 ? 0 : numbers.selection(page.selection);
  return withPieces({ ...page, selection }, (piece) => {
    const settings = pieceTypeOf(piece.type).withNumbers?.(piece.settings, numbers) ?? piece.settings;
    return { ...piece, settings } as Piece;
  });
}

/** A page with every piece changed. */
export function withPieces(page: PageDesign, change: (piece: Piece) => Piece): PageDesign {
  const strips = page.strips.map((strip) => ({
    ...strip,
    columns: strip.columns.map((column) => ({ ...column, pieces: column.pieces.map(change) })),
  }));
  return { ...page, strips };
}
