import { pieceType } from './piece-type.js';

export const divider = pieceType({
  label: 'Divider',
  icon: 'remove',
  purpose: 'A line between two pieces',
  form: {},
  controls: {},
});
