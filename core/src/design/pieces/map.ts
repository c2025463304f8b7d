import { oneOf } from '../settings/setting.js';
import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const map = pieceType({
  label: 'Map',
  icon: 'location_on',
  purpose: 'Where the listings of a list of the page are, in step with it',
  form: { ...STEERING_FORM, height: oneOf(['small', 'normal', 'large'], 'normal') },
  faults: (settings, scene) => withoutArea(settings, scene),
});
