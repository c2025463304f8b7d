import { oneOf } from '../settings/setting.js';
import { optionsOf } from '../settings/control.js';
import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const map = pieceType({
  label: 'Map',
  icon: 'location_on',
  purpose: 'Where the listings of a list of the page are, in step with it',
  form: { ...STEERING_FORM, height: oneOf(['small', 'normal', 'large'], 'normal') },
  controls: {
    ...STEERING_CONTROLS,
    height: { as: 'choice', label: 'Height', options: optionsOf({ small: 'low', normal: 'normal', large: 'high' }) },
  },
  begin: beginSteering,
  faults: (settings, scene) => withoutArea(settings, scene),
});
