import { isSlug } from '../../values/index.js';
import { fieldAt } from '../../structure/index.js';
import type { Kind, KindById } from '../../structure/index.js';
import type { UsedField } from '../slots/slot-fields.js';
import { makeSlot } from '../slots/slot.js';
import type { SettingsOf } from '../settings/setting.js';
import { flag, listOf, numberFrom, oneOf, words } from '../settings/setting.js';
import { slotsSetting, textSetting } from '../settings/text-settings.js';
import { isOfList } from '../pages/page-purpose.js';
import { pieceType, withoutListing } from './piece-type.js';
import { LONGEST_AREA_NAME } from './steering.js';

/**
 * Where the listings of an area come from: the list that the page is about, a kind, a selection, a link of the page's
 * listing, or what is like it.
 */
const LIST_SOURCES = ['page', 'kind', 'selection', 'linked', 'related'] as const;
const LIST_LAYOUTS = ['grid', 'rows', 'table', 'scrolling', 'ranked'] as const;
const MOST_LISTED = 100;

const LIST_FORM = {
  from: oneOf(LIST_SOURCES, 'kind'),
  /** Number of the kind or the selection. */
  of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0),
  /** Of linked ones: the link field; of related ones: the fields in which they are alike. */
  fields: listOf(words(61), 10),
  most: numberFrom(1, MOST_LISTED, 12),
  layout: oneOf(LIST_LAYOUTS, 'grid'),
  /** The least width of a card of a grid or a scrolling row, in rem. */
  width: numberFrom(8, 40, 16),
  /** Of a table: its columns. */
  columns: slotsSetting,
  heading: textSetting,
  intro: words(1000),
  /** Whether its heading leads to the page of all of them, and "See all" stands beside it. */
  leadsOn: flag(),
  /** Whether visitors can search, narrow and order it and go on to further pages; the page's own list always is so. */
  steered: flag(),
  /** Of a steered one: what stands before its parts of the address, "yards" of "yards.page=2"; '' for plain parts. */
  name: words(LONGEST_AREA_NAME),
  /** Of a steered one: whether featured listings that lead it stand in a strip of their own. */
  featuredApart: flag(),
};

export const list = pieceType({
  label: 'Listings',
  icon: 'dataset',
  purpose: 'Cards of a kind, of a selection, of what is linked with the listing, or of what is like it',
  form: LIST_FORM,
  faults(settings, scene) {
    const { from, of, fields, layout, columns, name } = settings;
    const { kind, kindById, isSelection, areas } = scene;
    const faults: string[] = [];
    if (name !== '' && !isSlug(name)) faults.push('its name may hold small letters, digits and hyphens.');
    if (isSteered(settings) && areas.filter((one) => one === name).length > 1) {
      faults.push(name === '' ? 'another list of the page has no name either.' : `another list is called “${name}”.`);
    }
    if (settings.steered && (from === 'linked' || from === 'related')) {
      faults.push('visitors can steer the list of the page, of a kind or of a selection only.');
    }
    if (layout === 'table' && columns.length === 0) faults.push('a table needs columns.');
    if (from === 'page') return isOfList(scene) ? faults : [...faults, 'this page is not about a list.'];
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

/** The kind of the listings of a list; of a selection there may be several. */
function listedKind(
  { from, of, fields }: Pick<SettingsOf<typeof LIST_FORM>, 'from' | 'of' | 'fields'>,
  ofPage: Kind | null,
  kindById: KindById,
): Kind | undefined {
  switch (from) {
    case 'kind':
      return kindById(of);
    case 'linked':
      return linkedKind(ofPage, fields[0] ?? '', kindById);
    case 'page':
    case 'related':
      return ofPage ?? undefined;
    case 'selection':
      return undefined;
  }
}

/** Whether visitors can search, narrow and order a list and go on to its further pages. */
export function isSteered({ from, steered }: Pick<SettingsOf<typeof LIST_FORM>, 'from' | 'steered'>): boolean {
  return from === 'page' || (steered && (from === 'kind' || from === 'selection'));
}

/** The kind at the other end of a link field of the page's kind. */
export function linkedKind(kind: Kind | null, key: string, kindById: KindById): Kind | undefined {
  const linked = kind?.fields.find((field) => field.key === key)?.settings.linked;
  return linked && kindById(linked.kindId);
}
