import type { DesignedPage } from '@plindo/core/page';

/** A strip or a piece of a page, and the element in which it stands. */
export interface PartInDocument {
  readonly of: 'strip' | 'piece';
  /** Its key in the design; what came with an embedded part stands for the piece that embeds it. */
  readonly key: string;
  readonly element: HTMLElement;
}

/** The parts of a designed page that is shown in an element; they stand there in the order in which the model has them. */
export function partsInDocument(root: ParentNode, { strips }: Pick<DesignedPage, 'strips'>): PartInDocument[] {
  const sections = root.querySelectorAll<HTMLElement>('pl-designed-page > section');
  return strips.flatMap((strip, at) => {
    const section = sections[at];
    if (!section) return [];
    const columns = section.querySelectorAll<HTMLElement>(':scope > .columns > .column');
    const pieces = strip.columns.flatMap((column, column_at) => {
      const shown = [...(columns[column_at]?.children ?? [])];
      return column.pieces.flatMap((piece, piece_at): PartInDocument[] => {
        const element = boxOf(shown[piece_at]);
        return element ? [{ of: 'piece', key: ownKey(piece.key), element }] : [];
      });
    });
    return [{ of: 'strip', key: ownKey(strip.key), element: section }, ...pieces];
  });
}

/** What of a piece has a box of its own: a piece that came as text stands in an element without one. */
function boxOf(piece: Element | undefined): HTMLElement | undefined {
  const box = piece?.localName === 'pl-quiet' ? (piece.firstElementChild ?? piece) : piece;
  return box instanceof HTMLElement ? box : undefined;
}

/** The key of a piece that embeds a part is the first part of the keys of what came with it. */
function ownKey(key: string): string {
  const [own = key] = key.split('.');
  return own;
}
