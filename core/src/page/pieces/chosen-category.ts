import type { PieceMaker } from './piece-maker.js';

export const chosenCategory: PieceMaker<'chosen-category'> = {
  make({ area, level }, { areaNamed, category: ofPage }) {
    const chosen = areaNamed(area)?.parts.category;
    if (!ofPage) return chosen ? { type: 'chosen-category', level, category: chosen } : null;
    const { label, text = '', icon = '', colour = '', picture = null } = ofPage.category;
    return { type: 'chosen-category', level, category: { label, text, icon, colour, picture } };
  },
};
