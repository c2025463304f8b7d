import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const chosenCategory = pieceType({
  label: 'The chosen category',
  icon: 'category',
  purpose: 'Text and picture of the category that the visitor has chosen',
  form: STEERING_FORM,
  faults: withoutArea,
});
