import type { PieceMaker } from './piece-maker.js';

export const divider: PieceMaker<'divider'> = { make: () => ({ type: 'divider' }) };
