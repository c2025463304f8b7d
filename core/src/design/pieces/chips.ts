import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const chips = pieceType({
  label: 'What is chosen',
  icon: 'label',
  purpose: 'What the visitor has chosen in a list, each to be taken back',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
