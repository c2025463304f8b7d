import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const sort = pieceType({
  label: 'Sort choices',
  icon: 'sort',
  purpose: 'The orders that a list of the page can be put in',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
