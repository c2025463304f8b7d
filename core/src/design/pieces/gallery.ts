import { fieldAt } from '../../structure/index.js';
import { listOf, words } from '../settings/setting.js';
import { pieceType, withoutListing } from './piece-type.js';

export const gallery = pieceType({
  label: 'Gallery',
  icon: 'photo_library',
  purpose: 'All pictures of the listing, to be looked at in large',
  form: { fields: listOf(words(61), 10) },
  faults({ fields }, scene) {
    const { kind } = scene;
    if (!kind) return withoutListing(scene);
    if (fields.length === 0) return ['it shows no field of pictures.'];
    const gone = fields.filter((key) => !['picture', 'pictures'].includes(fieldAt(kind, key)?.type ?? ''));
    return gone.map((key) => `there is no field of pictures “${key}” any more.`);
  },
  fields: ({ fields }, kind) => (kind ? fields.map((field) => ({ kindId: kind.id, field })) : []),
  withKeyRenamed: (settings, from, to) => ({
    ...settings,
    fields: settings.fields.map((key) => (key === from ? to : key)),
  }),
});
