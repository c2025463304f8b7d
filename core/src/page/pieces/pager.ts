import type { PieceMaker } from './piece-maker.js';

export const pager: PieceMaker<'pager'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    return found && { type: 'pager', pager: found.parts.pager };
  },
};
