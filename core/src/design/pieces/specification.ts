import { fieldAt, subfieldsOf } from '../../structure/index.js';
import { oneOf, words } from '../settings/setting.js';
import { pieceType, withoutListing } from './piece-type.js';

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
  faults({ field: key, layout, title, picture, address }, scene) {
    if (!scene.kind) return withoutListing(scene);
    const field = fieldAt(scene.kind, key);
    if (!field || (field.type !== 'rows' && field.type !== 'group')) return [`there are no rows “${key}” any more.`];
    if (layout === 'table') return [];
    const inside = subfieldsOf(field).map((one) => one.key);
    const gone = [title, picture, address].filter((one) => one !== '' && !inside.includes(one));
    return gone.map((one) => `${field.label} has nothing inside called “${one}”.`);
  },
  fields: ({ field }, kind) => (kind ? [{ kindId: kind.id, field }] : []),
  withKeyRenamed: (settings, from, to) => (settings.field === from ? { ...settings, field: to } : settings),
});
