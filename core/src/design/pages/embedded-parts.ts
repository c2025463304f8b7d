import type { PageColumn, PageDesign, Piece, PieceOf, Strip } from './page-design.js';

/** Gives the definition of a part of pages by its number. */
export type PartOf = (id: number) => PageDesign | undefined;

type Embedding = PieceOf<'part'>;

/**
 * A page with the parts that it embeds in their places. A strip that holds nothing but a part becomes the strips of that
 * part; among others a part brings its pieces. What is said of when the place is shown goes for all that comes into it.
 */
export function withParts(page: PageDesign, partOf: PartOf): PageDesign {
  if (!page.strips.some(embeds)) return page;
  return { ...page, strips: page.strips.flatMap((strip) => stripsOf(strip, partOf)) };
}

function embeds({ columns }: Strip): boolean {
  return columns.some(({ pieces }) => pieces.some(({ type }) => type === 'part'));
}

function stripsOf(strip: Strip, partOf: PartOf): Strip[] {
  const alone = aloneIn(strip);
  if (!alone) return [{ ...strip, columns: strip.columns.map((column) => withPieces(column, partOf)) }];
  const part = partOf(alone.settings.of);
  return (part?.strips ?? []).map((own) => ({
    ...own,
    key: `${alone.key}.${own.key}`,
    within: [...(strip.within ?? []), strip, alone],
    columns: own.columns.map((column) => keyedColumn(column, alone.key)),
  }));
}

/** The part that is all that a strip holds. */
function aloneIn({ columns }: Strip): Embedding | null {
  const pieces = columns.flatMap((column) => column.pieces);
  const [piece] = pieces;
  return pieces.length === 1 && piece?.type === 'part' ? piece : null;
}

function withPieces(column: PageColumn, partOf: PartOf): PageColumn {
  const pieces = column.pieces.flatMap((piece): Piece[] => {
    if (piece.type !== 'part') return [piece];
    const strips = partOf(piece.settings.of)?.strips ?? [];
    return strips.flatMap((strip) =>
      strip.columns.flatMap((own) =>
        own.pieces.map((one) => ({ ...one, key: `${piece.key}.${one.key}`, within: [piece, strip] })),
      ),
    );
  });
  return { ...column, pieces };
}

function keyedColumn(column: PageColumn, key: string): PageColumn {
  const pieces = column.pieces.map((piece) => ({ ...piece, key: `${key}.${piece.key}` }));
  return { ...column, key: `${key}.${column.key}`, pieces };
}
