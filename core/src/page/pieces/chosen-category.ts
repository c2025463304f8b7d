import { modelOfCategory } from '../facets/facet-models.js';
import type { PieceMaker } from './piece-maker.js';

export const chosenCategory: PieceMaker<'chosen-category'> = {
  make({ area, level }, { areaNamed, category: ofPage }) {
    const category = ofPage ? modelOfCategory(ofPage.category) : areaNamed(area)?.parts.category;
    return category ? { type: 'chosen-category', level, category } : null;
  },
};
