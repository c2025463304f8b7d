import { inSentence } from '../areas/area-parts.js';
import type { PieceMaker } from './piece-maker.js';

export const search: PieceMaker<'search'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    const { many } = parts.design;
    const [label, placeholder] = [`Search ${many}`, `Search ${inSentence(many)}`];
    return { type: 'search', area, form, name: name('q'), text: parts.text, label, placeholder };
  },
};
