import type { PieceMaker } from './piece-maker.js';

export const keep: PieceMaker<'keep'> = {
  make: (_settings, { shown }) => (shown ? { type: 'keep', id: shown.listing.id, title: shown.listing.title } : null),
};
