import type { PieceMaker } from './piece-maker.js';

export const count: PieceMaker<'count'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    return found && { type: 'count', total: found.parts.total, sentence: found.parts.countSentence };
  },
};
