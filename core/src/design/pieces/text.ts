import { slotsSetting } from '../settings/text-settings.js';
import { makeSlot, slotOfField } from '../slots/slot.js';
import { pieceType } from './piece-type.js';

export const text = pieceType({
  label: 'Text with values',
  icon: 'short_text',
  purpose: 'Lines of words and values, one below the other',
  form: { slots: slotsSetting },
  controls: { slots: { as: 'slots', label: 'Lines', shows: 'the page’s listing' } },
  begin: ({ kind }) => ({
    settings: {
      slots: [kind ? slotOfField('@title') : makeSlot({ key: 'line', text: ['Words of your own'] })],
    },
  }),
  slots: ({ slots }) => slots,
  withSlots: (settings, slots) => ({ ...settings, slots }),
});
