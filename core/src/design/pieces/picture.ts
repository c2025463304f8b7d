import { fieldAt } from '../../structure/index.js';
import { FIT_WORDS, PICTURE_FITS, PICTURE_RATIOS, RATIO_WORDS } from '../cards/card.js';
import { optionsOf } from '../settings/control.js';
import { oneOf, pictureSetting, words } from '../settings/setting.js';
import { fieldOptionsOr, fieldsOfTypes } from './field-options.js';
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
  controls: {
    field: {
      as: 'choice',
      label: 'Which',
      options: fieldOptionsOr('one that is chosen here', ['picture', 'pictures']),
    },
    picture: { as: 'picture', label: 'The picture', isAsked: ({ field }) => field === '' },
    ratio: { as: 'choice', label: 'Shape', options: optionsOf(RATIO_WORDS) },
    fit: { as: 'choice', label: 'Fit', options: optionsOf(FIT_WORDS), isAsked: ({ ratio }) => ratio !== 'own' },
    caption: { as: 'line', label: 'Words below it', longest: 300 },
  },
  begin({ kind }) {
    const [first] = kind ? fieldsOfTypes(kind, ['picture', 'pictures']) : [];
    return { settings: { field: first?.key ?? '' } };
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
