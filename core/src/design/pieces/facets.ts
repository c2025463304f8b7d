import { listOf, words } from '../settings/setting.js';
import { pieceType } from './piece-type.js';
import { STEERING_CONTROLS, STEERING_FORM, beginSteering, withoutArea } from './steering.js';

export const facets = pieceType({
  label: 'Facets',
  icon: 'tune',
  purpose: 'What visitors can narrow a list of the page by; on narrow screens behind a button',
  form: {
    ...STEERING_FORM,
    /** Keys of the facets to show, in their order; none for all. */
    only: listOf(words(60), 30),
  },
  controls: {
    ...STEERING_CONTROLS,
    only: {
      as: 'choices',
      label: 'Only these facets',
      hint: 'Without any: all of them',
      options: ({ facetsOf }, { area }) => facetsOf(area),
    },
  },
  begin: beginSteering,
  faults: (settings, scene) => withoutArea(settings, scene),
});
