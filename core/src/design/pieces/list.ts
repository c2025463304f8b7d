import { isSlug } from '../../values/index.js';
import { fieldAt } from '../../structure/index.js';
import type { UsedField } from '../slots/slot-fields.js';
import { makeSlot } from '../slots/slot.js';
import { isOfList } from '../pages/page-purpose.js';
import { pieceType, withoutListing } from './piece-type.js';
import { LIST_CONTROLS, beginList, settleList } from './list-controls.js';
import { LIST_FORM, canBeSteered, isSteered, isVisitors, listedKind } from './list-settings.js';

export const list = pieceType({
  label: 'Listings',
  icon: 'dataset',
  purpose: 'Cards of a kind, of a selection, of what is linked with the listing, or of what is like it',
  form: LIST_FORM,
  controls: LIST_CONTROLS,
  begin: beginList,
  settle: settleList,
  faults(settings, scene) {
    const { from, of, fields, layout, columns, name } = settings;
    const { kind, kindById, isSelection, areas } = scene;
    const faults: string[] = [];
    if (name !== '' && !isSlug(name)) faults.push('its name may hold small letters, digits and hyphens.');
    if (isSteered(settings) && areas.filter((one) => one === name).length > 1) {
      faults.push(name === '' ? 'another list of the page has no name either.' : `another list is called “${name}”.`);
    }
    if (settings.steered && from !== 'page' && !canBeSteered(from)) {
      faults.push('visitors can steer the list of the page, of a kind or of a selection only.');
    }
    if (layout === 'table' && columns.length === 0) faults.push('a table needs columns.');
    if (from === 'page') return isOfList(scene) ? faults : [...faults, 'this page is not about a list.'];
    if (isVisitors(from)) {
      return layout === 'table' ? [...faults, 'what a visitor keeps cannot stand as a table.'] : faults;
    }
    if (from === 'kind') return kindById(of) ? faults : [...faults, 'the kind that it lists is not there any more.'];
    if (from === 'selection') return isSelection(of) ? faults : [...faults, 'its selection is not there any more.'];
    if (!kind) return [...faults, ...withoutListing(scene)];
    const isFit = (key: string): boolean => {
      const field = fieldAt(kind, key);
      return field !== undefined && (from === 'related' || field.type === 'link');
    };
    if (fields.length === 0) faults.push(from === 'linked' ? 'no link is chosen.' : 'no field is chosen.');
    return [
      ...faults,
      ...fields
        .filter((key) => !isFit(key))
        .map((key) => `there is no ${from === 'linked' ? 'link' : 'field'} “${key}” any more.`),
    ];
  },
  listed: {
    kind: listedKind,
    slots: ({ layout, columns }) => (layout === 'table' ? columns : []),
    with: (settings, columns) => (settings.layout === 'table' ? { ...settings, columns } : settings),
  },
  slots: ({ heading }) => [makeSlot({ key: 'heading', text: heading.length > 0 ? heading : ['-'] })],
  withSlots: (settings, [slot]) => ({ ...settings, heading: settings.heading.length > 0 ? slot!.text : [] }),
  fields({ from, fields }, kind): UsedField[] {
    const isOfPage = from === 'linked' || from === 'related';
    return kind && isOfPage ? fields.map((field) => ({ kindId: kind.id, field })) : [];
  },
  withKeyRenamed: (settings, from, to) => ({
    ...settings,
    fields: settings.fields.map((key) => (key === from ? to : key)),
  }),
  withNumbers(settings, numbers) {
    if (settings.from === 'kind') return { ...settings, of: numbers.kind(settings.of) };
    return settings.from === 'selection' ? { ...settings, of: numbers.selection(settings.of) } : settings;
  },
});
