import type { PieceChoices } from '../pieces/piece-type.js';
import type { PieceTypeName } from '../pieces/registry.js';
import { pieceTypeOf } from '../pieces/registry.js';
import type { Piece, PieceSketch } from './page-design.js';
import { makePage } from './page-design.js';

/** A new piece of a sort as it begins on a page, or what the page or the site lacks for it. */
export function newPiece(
  type: PieceTypeName,
  scene: PieceChoices,
): { readonly piece: Piece } | { readonly lacks: string } {
  const begun = pieceTypeOf(type).begin?.(scene) ?? { settings: {} };
  if ('lacks' in begun) return begun;
  // The settings are those of the sort, which the registry keeps beside its name.
  const sketch = { type, settings: begun.settings } as PieceSketch;
  const [strip] = makePage({ name: '', serves: scene.serves, strips: [{ columns: [{ pieces: [sketch] }] }] }).strips;
  return { piece: strip!.columns[0]!.pieces[0]! };
}
