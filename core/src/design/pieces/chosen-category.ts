import { oneOf } from '../settings/setting.js';
import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const chosenCategory = pieceType({
  label: 'The category',
  icon: 'category',
  purpose: 'Text and picture of the category that the visitor has chosen, or that the page is about',
  form: {
    ...STEERING_FORM,
    /** The level of the heading with its name; 0 for none. */
    level: oneOf([0, 1, 2], 2),
  },
  controls: {
    ...STEERING_CONTROLS,
    level: {
      as: 'choice',
      label: 'Its name',
      options: () => [
        { key: 0, label: 'not shown' },
        { key: 1, label: 'as the heading of the page' },
        { key: 2, label: 'as the heading of a part' },
      ],
    },
  },
  begin: beginSteering,
  faults: (settings, scene) => withoutArea(settings, scene),
});
