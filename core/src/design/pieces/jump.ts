import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const jump = pieceType({
  label: 'Dates to go to',
  icon: 'event',
  purpose: 'The months, weeks or days that a list is parted into, each to go to',
  form: STEERING_FORM,
  controls: STEERING_CONTROLS,
  begin: beginSteering,
  faults: withoutArea,
});
