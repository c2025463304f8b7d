import { listOf, words } from '../settings/setting.js';
import { pieceType } from './piece-type.js';
import { STEERING_FORM, withoutArea } from './steering.js';

export const facets = pieceType({
  label: 'Facets',
  icon: 'tune',
  purpose: 'What visitors can narrow a list of the page by; on narrow screens behind a button',
  form: {
    ...STEERING_FORM,
    /** Keys of the facets to show, in their order; none for all. */
    only: listOf(words(60), 30),
  },
  faults: (settings, scene) => withoutArea(settings, scene),
});
