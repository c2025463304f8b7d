import { oneOf } from '../settings/setting.js';
import { optionsOf } from '../settings/control.js';
import { pieceType } from './piece-type.js';

export const space = pieceType({
  label: 'Space',
  icon: 'arrow_range',
  purpose: 'Keeps two pieces apart',
  form: { size: oneOf(['small', 'normal', 'large'], 'normal') },
  controls: {
    size: { as: 'choice', label: 'Size', options: optionsOf({ small: 'small', normal: 'normal', large: 'large' }) },
  },
});
