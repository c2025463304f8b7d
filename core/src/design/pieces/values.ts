import type { Field } from '../../structure/index.js';
import { numberFrom, oneOf } from '../settings/setting.js';
import { slotsSetting } from '../settings/text-settings.js';
import { optionsOf } from '../settings/control.js';
import { slotOfField } from '../slots/slot.js';
import { NEEDS_LISTING, pieceType } from './piece-type.js';

const VALUE_LAYOUTS = ['table', 'list', 'tiles', 'sections'] as const;

/** Types whose values don't stand among others. */
const WIDE: readonly Field['type'][] = ['long-text', 'rich-text', 'rows', 'picture', 'pictures'];
const MOST_AT_FIRST = 8;

export const values = pieceType({
  label: 'Values',
  icon: 'checklist',
  purpose: 'Values with their labels: as a table, a list, tiles with icons, or under headings of their own',
  form: { slots: slotsSetting, layout: oneOf(VALUE_LAYOUTS, 'table'), columns: numberFrom(0, 4, 0) },
  controls: {
    slots: { as: 'slots', label: 'Values', shows: 'the page’s listing' },
    layout: {
      as: 'choice',
      label: 'Stand as',
      options: optionsOf({
        ...{
          table: 'a table',
          list: 'a list',
          tiles: 'tiles with icons',
          sections: 'parts with headings of their own',
        },
      }),
    },
    columns: {
      as: 'choice',
      label: 'Columns',
      isAsked: ({ layout }) => layout === 'list' || layout === 'tiles',
      options: () => [0, 1, 2, 3, 4].map((key) => ({ key, label: key === 0 ? 'as many as fit' : String(key) })),
    },
  },
  begin({ kind }) {
    if (!kind) return { lacks: NEEDS_LISTING };
    const fields = kind.fields.filter(({ type }) => !WIDE.includes(type)).slice(0, MOST_AT_FIRST);
    return { settings: { slots: fields.map(({ key }) => slotOfField(key, { form: 'own' })) } };
  },
  slots: ({ slots }) => slots,
  withSlots: (settings, slots) => ({ ...settings, slots }),
});
