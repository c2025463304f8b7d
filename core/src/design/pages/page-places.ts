import type { DesignPath } from '../steps.js';
import { itemAt } from '../steps.js';
import type { PageColumn, PageDesign, Piece, Strip } from './page-design.js';

/** A part of a page that has a key of its own, and where it stands. */
export type PageItem =
  | { readonly of: 'strip'; readonly strip: Strip; readonly at: DesignPath }
  | { readonly of: 'column'; readonly column: PageColumn; readonly strip: Strip; readonly at: DesignPath }
  | { readonly of: 'piece'; readonly piece: Piece; readonly strip: Strip; readonly at: DesignPath };

/** Where a piece stands, or may go: the column by its key, and the place in it from 0. */
export interface PiecePlace {
  readonly column: string;
  /** Position in the column, from 0. */
  readonly at: number;
}

/** All that has a key on a page, in the order in which it stands. */
export function itemsOfPage({ strips }: Pick<PageDesign, 'strips'>): PageItem[] {
  return strips.flatMap((strip, strip_at): PageItem[] => [
    { of: 'strip', strip, at: ['strips', strip_at] },
    ...strip.columns.flatMap((column, column_at): PageItem[] => {
      const at = ['strips', strip_at, 'columns', column_at];
      const pieces = column.pieces.map((piece, piece_at): PageItem => ({
        of: 'piece',
        piece,
        strip,
        at: [...at, 'pieces', piece_at],
      }));
      return [{ of: 'column', column, strip, at }, ...pieces];
    }),
  ]);
}

export function keyOfItem(item: PageItem): string {
  return item.of === 'strip' ? item.strip.key : item.of === 'column' ? item.column.key : item.piece.key;
}

/** The part of a page with a key; null when it isn't there. */
export function itemOfPage(page: Pick<PageDesign, 'strips'>, key: string): PageItem | null {
  return itemsOfPage(page).find((item) => keyOfItem(item) === key) ?? null;
}

/** The column in which a piece stands, and its place there. */
export function placeOfPiece(page: PageDesign, { at }: Pick<PageItem, 'at'>): PiecePlace {
  const column = itemAt(page, at.slice(0, -2)) as PageColumn;
  return { column: column.key, at: Number(at.at(-1)) };
}

/** The path of a place for a piece; null when its column is gone. */
export function pathOfPlace(page: PageDesign, { column: key, at }: PiecePlace): DesignPath | null {
  const column = itemOfPage(page, key);
  return column?.of === 'column' ? [...column.at, 'pieces', at] : null;
}
