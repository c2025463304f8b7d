import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const pager = pieceType({
  label: 'Further pages',
  icon: 'more_vert',
  purpose: 'The way to the further listings of a list',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
