import type { PieceMaker } from './piece-maker.js';

/** Pages are made with the parts in their places (`withParts`), so that nothing is left to make. */
export const part: PieceMaker<'part'> = { make: () => null };
