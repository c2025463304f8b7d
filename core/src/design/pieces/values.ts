import { numberFrom, oneOf } from '../settings/setting.js';
import { slotsSetting } from '../settings/text-settings.js';
import { pieceType } from './piece-type.js';

const VALUE_LAYOUTS = ['table', 'list', 'tiles', 'sections'] as const;

export const values = pieceType({
  label: 'Values',
  icon: 'checklist',
  purpose: 'Values with their labels: as a table, a list, tiles with icons, or under headings of their own',
  form: { slots: slotsSetting, layout: oneOf(VALUE_LAYOUTS, 'table'), columns: numberFrom(0, 4, 0) },
  slots: ({ slots }) => slots,
  withSlots: (settings, slots) => ({ ...settings, slots }),
});
