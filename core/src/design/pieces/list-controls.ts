import type { Field, Kind } from '../../structure/index.js';
import { optionsOf } from '../settings/control.js';
import type { Controls, Option } from '../settings/control.js';
import { slotFaults } from '../slots/check-slot.js';
import { slotOfField } from '../slots/slot.js';
import { makeText } from '../slots/text-with-values.js';
import { isOfList } from '../pages/page-purpose.js';
import { asOption, fieldsOfTypes } from './field-options.js';
import type { ListSettings } from './list-settings.js';
import { canBeSteered, isSteered, isVisitors, listedKind } from './list-settings.js';
import type { PieceBeginning, PieceChoices } from './piece-type.js';

const SOURCE_WORDS: Readonly<Record<ListSettings['from'], string>> = {
  ...{ page: 'the list that the page is about', kind: 'a kind', selection: 'a selection' },
  ...{ linked: 'what the listing is linked with', related: 'what is like the listing' },
  ...{ shortlist: 'the visitor’s shortlist', recent: 'what the visitor saw lately' },
};
const LAYOUT_WORDS: Readonly<Record<ListSettings['layout'], string>> = {
  ...{ grid: 'cards in a grid', rows: 'rows', table: 'a table', scrolling: 'a row to scroll' },
  ...{ ranked: 'ranked, 1, 2, 3' },
};
const FIRST_COLUMNS = 3;

/** In which fields listings can be alike. */
const COMPARABLE: readonly Field['type'][] = ['one-choice', 'several-choices', 'categories', 'link', 'yes-no'];

/** What fits into a cell of a table. */
const SHORT: readonly Field['type'][] = [
  ...COMPARABLE,
  ...(['short-text', 'decimal', 'whole-number', 'money', 'measure', 'date', 'date-time', 'rating'] as const),
];

export const LIST_CONTROLS: Controls<ListSettings, PieceChoices> = {
  from: { as: 'choice', label: 'Shows', options: (scene) => sourcesOn(scene).map(sourceOption) },
  of: {
    as: 'choice',
    label: 'Which',
    isAsked: ({ from }) => from === 'kind' || from === 'selection',
    options({ kinds, selections }, { from }) {
      if (from === 'kind') return kinds.map(({ id, many }) => ({ key: id, label: many }));
      return selections.map(({ id, name }) => ({ key: id, label: name }));
    },
  },
  fields: {
    as: 'choices',
    label: 'By',
    isAsked: ({ from }) => from === 'linked' || from === 'related',
    options: ({ kind }, { from }) => {
      return kind ? fieldsOfTypes(kind, from === 'linked' ? ['link'] : COMPARABLE).map(asOption) : [];
    },
  },
  layout: { as: 'choice', label: 'Stand as', options: optionsOf(LAYOUT_WORDS) },
  columns: {
    ...{ as: 'slots', label: 'Columns', shows: 'what is listed' },
    isAsked: ({ layout }) => layout === 'table',
  },
  most: {
    ...{ as: 'number', label: 'So many at most', least: 1, greatest: 100, unit: '' },
    isAsked: (settings) => !isSteered(settings),
  },
  width: {
    ...{ as: 'number', label: 'Least width of a card', least: 8, greatest: 40, unit: 'letters' },
    isAsked: ({ layout }) => layout === 'grid' || layout === 'scrolling',
    isMore: true,
  },
  heading: { as: 'text', label: 'Heading' },
  intro: { as: 'lines', label: 'Words below the heading', longest: 1000, isMore: true },
  leadsOn: {
    ...{ as: 'yes-no', label: 'Leads on to all of them' },
    isAsked: ({ from }) => from === 'kind' || from === 'selection',
  },
  steered: {
    ...{ as: 'yes-no', label: 'Visitors can search, narrow and order it' },
    isAsked: ({ from }) => canBeSteered(from),
  },
  name: {
    ...{ as: 'line', label: 'Name in the address', longest: 40, isMore: true },
    hint: 'Of a page with several such lists: “yards” for “yards.page=2”',
    isAsked: isSteered,
  },
  featuredApart: { as: 'yes-no', label: 'Featured ones stand apart above', isAsked: isSteered, isMore: true },
};

/** A new list shows the page's own, else what the listing is linked with, else the first kind. */
export function beginList(scene: PieceChoices): PieceBeginning<ListSettings> {
  const { kind, kinds, areas } = scene;
  if (isOfList(scene) && !areas.includes('')) return { settings: { from: 'page', featuredApart: true } };
  const link = kind?.fields.find(({ type }) => type === 'link');
  if (link) return { settings: { from: 'linked', fields: [link.key], heading: makeText([link.label]) } };
  const [first] = kinds;
  if (!first) return { lacks: 'a kind of listing' };
  return { settings: { from: 'kind', of: first.id, most: 4, heading: makeText([first.many]), leadsOn: true } };
}

/** What a list shows has to be there, and a table has columns of what it lists. */
export function settleList(settings: ListSettings, scene: PieceChoices): ListSettings {
  const { kind, listKind, kindById } = scene;
  const options = (name: 'of' | 'fields'): Option['key'][] => {
    const control = LIST_CONTROLS[name];
    return 'options' in control ? control.options(scene, settings).map(({ key }) => key) : [];
  };
  const { from } = settings;
  const [ofs, fields] = [options('of'), options('fields')];
  const of = ofs.includes(settings.of) ? settings.of : Number(ofs[0] ?? 0);
  const isByFields = from === 'linked' || from === 'related';
  const kept = settings.fields.filter((key) => fields.includes(key));
  const first = fields.slice(0, 1).map(String);
  const layout = isVisitors(from) && settings.layout === 'table' ? 'grid' : settings.layout;
  const sound = { ...settings, layout, of, fields: isByFields && kept.length === 0 ? first : kept };
  const listed = listedKind(sound, listKind ?? kind, kindById);
  if (sound.layout !== 'table' || !listed) return sound;
  const columns = sound.columns.filter((slot) => slotFaults(slot, listed, scene).length === 0);
  return { ...sound, columns: columns.length > 0 ? columns : firstColumns(listed) };
}

/** The columns that a table begins with: the title and the first fields that fit into a cell. */
export function firstColumns(kind: Kind): ListSettings['columns'] {
  const fields = kind.fields.filter(({ type }) => SHORT.includes(type)).slice(0, FIRST_COLUMNS);
  return ['@title', ...fields.map(({ key }) => key)].map((key) => slotOfField(key, { icon: '' }));
}

function sourcesOn({ kind, selections, ...page }: PieceChoices): ListSettings['from'][] {
  return [
    ...(isOfList(page) ? ['page' as const] : []),
    'kind',
    ...(selections.length > 0 ? ['selection' as const] : []),
    ...(kind ? (['linked', 'related'] as const) : []),
    ...(['shortlist', 'recent'] as const),
  ];
}

function sourceOption(key: ListSettings['from']): Option {
  return { key, label: SOURCE_WORDS[key] };
}
