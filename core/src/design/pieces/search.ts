import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const search = pieceType({
  label: 'Search',
  icon: 'search',
  purpose: 'A field for words to look for in a list of the page',
  form: STEERING_FORM,
  faults: withoutArea,
});
