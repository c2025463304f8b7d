import type { PieceMaker } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

export const values: PieceMaker<'values'> = {
  make({ slots, layout, columns }, making) {
    const shown = shownSlots(slots, making);
    return shown.length > 0 ? { type: 'values', layout, columns, slots: shown } : null;
  },
};
