import { makeSlot } from '../../design/index.js';
import type { PieceMaker } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

export const heading: PieceMaker<'heading'> = {
  make({ text, level, leadsTo }, making) {
    const [slot] = shownSlots([makeSlot({ key: 'text', text })], making);
    return slot ? { type: 'heading', level, text: slot.value.text, href: leadsTo || null } : null;
  },
};
