import { nounsOf } from '../areas/area-parts.js';
import type { PieceMaker } from './piece-maker.js';

export const search: PieceMaker<'search'> = {
  make({ area }, { areaNamed, page }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    const { words } = page.context.formats;
    const label = words.say('search.label', { many: parts.design.many });
    const placeholder = words.say('search.label', nounsOf(parts.design, words));
    return { type: 'search', area, form, name: name('q'), text: parts.text, label, placeholder };
  },
};
