import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const count = pieceType({
  label: 'How many',
  icon: 'numbers',
  purpose: 'How many listings are found in a list of the page',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
