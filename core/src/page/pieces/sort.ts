import type { PieceMaker } from './piece-maker.js';

export const sort: PieceMaker<'sort'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    if (!found) return null;
    const { form, name, parts } = found;
    return { type: 'sort', form, name: name('sort'), choices: parts.sorts };
  },
};
