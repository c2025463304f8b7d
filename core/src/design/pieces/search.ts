import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const search = pieceType({
  label: 'Search',
  icon: 'search',
  purpose: 'A field for words to look for in a list of the page',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
