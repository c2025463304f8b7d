import type { PieceMaker } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

export const text: PieceMaker<'text'> = {
  make({ slots }, making) {
    const shown = shownSlots(slots, making);
    return shown.length > 0 ? { type: 'text', slots: shown } : null;
  },
};
