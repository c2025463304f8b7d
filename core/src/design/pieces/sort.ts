import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const sort = pieceType({
  label: 'Sort choices',
  icon: 'sort',
  purpose: 'The orders that a list of the page can be put in',
  form: STEERING_FORM,
  faults: withoutArea,
});
