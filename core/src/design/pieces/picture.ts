import { fieldAt } from '../../structure/index.js';
import { PICTURE_FITS, PICTURE_RATIOS } from '../cards/card.js';
import { oneOf, pictureSetting, words } from '../settings/setting.js';
import { pieceType, withoutListing } from './piece-type.js';

export const picture = pieceType({
  label: 'Picture',
  icon: 'image',
  purpose: 'One picture: the listing’s, or one that is chosen here',
  form: {
    picture: pictureSetting,
    field: words(61),
    ratio: oneOf(PICTURE_RATIOS, 'own'),
    fit: oneOf(PICTURE_FITS, 'cut'),
    caption: words(300),
  },
  faults({ picture: own, field }, scene) {
    if (field === '') return own ? [] : ['no picture is chosen.'];
    const missing = withoutListing(scene);
    const type = scene.kind && fieldAt(scene.kind, field)?.type;
    return missing.length > 0 || type === 'picture' || type === 'pictures'
      ? missing
      : [`there is no field of pictures “${field}” any more.`];
  },
  fields: ({ field }, kind) => (kind && field !== '' ? [{ kindId: kind.id, field }] : []),
  withKeyRenamed: (settings, from, to) => (settings.field === from ? { ...settings, field: to } : settings),
});
