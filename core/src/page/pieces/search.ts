import type { PieceMaker } from './piece-maker.js';

export const search: PieceMaker<'search'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    const label = `Search ${parts.design.many}`;
    return { type: 'search', area, form, name: name('q'), text: parts.text, label };
  },
};
