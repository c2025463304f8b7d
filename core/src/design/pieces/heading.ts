import { makeText } from '../slots/text-with-values.js';
import { makeSlot } from '../slots/slot.js';
import { oneOf, words } from '../settings/setting.js';
import { textSetting } from '../settings/text-settings.js';
import { isAddress } from './address.js';
import { pieceType } from './piece-type.js';

export const heading = pieceType({
  label: 'Heading',
  icon: 'title',
  purpose: 'Words or values in large',
  form: { text: textSetting, level: oneOf([1, 2, 3], 2), leadsTo: words(2000) },
  controls: {
    text: { as: 'text', label: 'What it says' },
    level: {
      as: 'choice',
      label: 'Of',
      options: () => [
        { key: 1, label: 'the page' },
        { key: 2, label: 'a part of the page' },
        { key: 3, label: 'something smaller' },
      ],
    },
    leadsTo: { as: 'line', label: 'Leads to', hint: 'An address as /about or https://…', longest: 2000, isMore: true },
  },
  begin: () => ({ settings: { text: makeText(['Heading']) } }),
  faults: ({ leadsTo }) =>
    leadsTo === '' || isAddress(leadsTo) ? [] : [`it leads to “${leadsTo}”; give an address as /about or https://…`],
  slots: ({ text }) => [makeSlot({ key: 'text', text })],
  withSlots: (settings, [slot]) => ({ ...settings, text: slot!.text }),
});
