import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const count = pieceType({
  label: 'How many',
  icon: 'numbers',
  purpose: 'How many listings are found in a list of the page',
  form: STEERING_FORM,
  faults: withoutArea,
});
