import type { PieceMaker } from './piece-maker.js';

export const chosenCategory: PieceMaker<'chosen-category'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    const category = found?.parts.category;
    return category ? { type: 'chosen-category', category } : null;
  },
};
