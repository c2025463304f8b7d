import type { PieceMaker } from './piece-maker.js';

export const jump: PieceMaker<'jump'> = {
  make({ area }, { areaNamed }) {
    const found = areaNamed(area);
    return found && found.parts.jumps.length > 0 ? { type: 'jump', jumps: found.parts.jumps } : null;
  },
};
