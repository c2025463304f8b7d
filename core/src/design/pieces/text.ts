import { slotsSetting } from '../settings/text-settings.js';
import { pieceType } from './piece-type.js';

export const text = pieceType({
  label: 'Text with values',
  icon: 'short_text',
  purpose: 'Lines of words and values, one below the other',
  form: { slots: slotsSetting },
  slots: ({ slots }) => slots,
  withSlots: (settings, slots) => ({ ...settings, slots }),
});
