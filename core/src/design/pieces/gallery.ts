import type { Field } from '../../structure/index.js';
import { fieldAt } from '../../structure/index.js';
import { listOf, words } from '../settings/setting.js';
import { fieldOptions, fieldsOfTypes } from './field-options.js';
import { pieceType, withoutListing } from './piece-type.js';

const PICTURE_TYPES: readonly Field['type'][] = ['picture', 'pictures'];

export const gallery = pieceType({
  label: 'Gallery',
  icon: 'photo_library',
  purpose: 'All pictures of the listing, to be looked at in large',
  form: { fields: listOf(words(61), 10) },
  controls: {
    fields: { as: 'choices', label: 'Pictures of', options: fieldOptions(PICTURE_TYPES) },
  },
  begin({ kind }) {
    const [first] = kind ? fieldsOfTypes(kind, ['pictures', 'picture']) : [];
    return first ? { settings: { fields: [first.key] } } : { lacks: 'a page of listings that have pictures' };
  },
  faults({ fields }, scene) {
    const { kind } = scene;
    if (!kind) return withoutListing(scene);
    if (fields.length === 0) return ['it shows no field of pictures.'];
    const gone = fields.filter((key) => !isPictures(fieldAt(kind, key)?.type));
    return gone.map((key) => `there is no field of pictures “${key}” any more.`);
  },
  fields: ({ fields }, kind) => (kind ? fields.map((field) => ({ kindId: kind.id, field })) : []),
  withKeyRenamed: (settings, from, to) => ({
    ...settings,
    fields: settings.fields.map((key) => (key === from ? to : key)),
  }),
});

function isPictures(type: Field['type'] | undefined): boolean {
  return type !== undefined && PICTURE_TYPES.includes(type);
}
