import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const chips = pieceType({
  label: 'What is chosen',
  icon: 'label',
  purpose: 'What the visitor has chosen in a list, each to be taken back',
  form: STEERING_FORM,
  faults: withoutArea,
});
