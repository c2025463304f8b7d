import type { Field } from '../../structure/index.js';
import { fieldAt, hasSubfields, subfieldsOf } from '../../structure/index.js';
import type { Option } from '../settings/control.js';
import { optionsOf } from '../settings/control.js';
import { oneOf, words } from '../settings/setting.js';
import { asOption, fieldOptions, fieldsOfTypes } from './field-options.js';
import type { PieceChoices } from './piece-type.js';
import { pieceType, withoutListing } from './piece-type.js';

const ROWS_TYPES: readonly Field['type'][] = ['rows', 'group'];
const SPECIFICATION_LAYOUTS = ['table', 'tiles', 'ranked'] as const;

export const specification = pieceType({
  label: 'Specification',
  icon: 'table_rows',
  purpose: 'The rows of a field as a table, as tiles, or as a ranked list with big numbers',
  form: {
    field: words(61),
    layout: oneOf(SPECIFICATION_LAYOUTS, 'table'),
    /** Of tiles and ranked lists: the fields inside that are title, picture and address of each; '' for none. */
    title: words(60),
    picture: words(60),
    address: words(60),
    button: words(60),
  },
  controls: {
    field: { as: 'choice', label: 'Rows of', options: fieldOptions(ROWS_TYPES) },
    layout: {
      as: 'choice',
      label: 'Stand as',
      options: optionsOf({ table: 'a table', tiles: 'tiles', ranked: 'a ranked list with big numbers' }),
    },
    title: { as: 'choice', label: 'Title of each', isAsked: isNoTable, options: insideOptions(() => true) },
    picture: { as: 'choice', label: 'Picture of each', isAsked: isNoTable, options: insideOptions(isPicture) },
    address: { as: 'choice', label: 'Button leads to', isAsked: isNoTable, options: insideOptions(isWebAddress) },
    button: {
      ...{ as: 'line', label: 'Words on the button', longest: 60 },
      isAsked: (settings) => isNoTable(settings) && settings.address !== '',
    },
  },
  begin({ kind }) {
    const [first] = kind ? fieldsOfTypes(kind, ROWS_TYPES) : [];
    return first ? { settings: { field: first.key } } : { lacks: 'a page of listings that have a field of rows' };
  },
  settle(settings, { kind }) {
    const field = kind && fieldAt(kind, settings.field);
    const inside = field ? subfieldsOf(field).map(({ key }) => key) : [];
    const known = (key: string): string => (inside.includes(key) ? key : '');
    const { title, picture, address } = settings;
    return { ...settings, title: known(title), picture: known(picture), address: known(address) };
  },
  faults({ field: key, layout, title, picture, address }, scene) {
    if (!scene.kind) return withoutListing(scene);
    const field = fieldAt(scene.kind, key);
    if (!field || !hasSubfields(field)) return [`there are no rows “${key}” any more.`];
    if (layout === 'table') return [];
    const inside = subfieldsOf(field).map((one) => one.key);
    const gone = [title, picture, address].filter((one) => one !== '' && !inside.includes(one));
    return gone.map((one) => `${field.label} has nothing inside called “${one}”.`);
  },
  fields: ({ field }, kind) => (kind ? [{ kindId: kind.id, field }] : []),
  withKeyRenamed: (settings, from, to) => (settings.field === from ? { ...settings, field: to } : settings),
});

function isNoTable({ layout }: { readonly layout: (typeof SPECIFICATION_LAYOUTS)[number] }): boolean {
  return layout !== 'table';
}

function isPicture({ type }: Pick<Field, 'type'>): boolean {
  return type === 'picture';
}

function isWebAddress({ type }: Pick<Field, 'type'>): boolean {
  return type === 'web-address';
}

/** The fields inside the rows that are chosen, as far as they fit, and none of them. */
function insideOptions(
  fits: (field: Pick<Field, 'type'>) => boolean,
): (scene: PieceChoices, settings: { readonly field: string }) => readonly Option[] {
  return ({ kind }, { field: key }) => {
    const field = kind && fieldAt(kind, key);
    const inside = field ? subfieldsOf(field).filter(fits) : [];
    return [{ key: '', label: 'none' }, ...inside.map(asOption)];
  };
}
