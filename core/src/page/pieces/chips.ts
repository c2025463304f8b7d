import type { PieceMaker } from './piece-maker.js';

export const chips: PieceMaker<'chips'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    if (!found || found.parts.chips.length === 0) return null;
    const { chips, clearHref } = found.parts;
    return { type: 'chips', chips, clearHref };
  },
};
