import type { PieceMaker } from './piece-maker.js';

export const space: PieceMaker<'space'> = { make: ({ size }) => ({ type: 'space', size }) };
