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
  faults: ({ leadsTo }) =>
    leadsTo === '' || isAddress(leadsTo) ? [] : [`it leads to “${leadsTo}”; give an address as /about or https://…`],
  slots: ({ text }) => [makeSlot({ key: 'text', text })],
  withSlots: (settings, [slot]) => ({ ...settings, text: slot!.text }),
});
