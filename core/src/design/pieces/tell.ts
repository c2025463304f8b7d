import { flag } from '../settings/setting.js';
import { NEEDS_LISTING, pieceType, withoutListing } from './piece-type.js';

export const tell = pieceType({
  label: 'Something is wrong here',
  icon: 'flag',
  purpose: 'With which visitors tell you what is wrong with a listing, or that it is theirs',
  form: { canTell: flag(true), canClaim: flag(true) },
  controls: {
    canTell: { as: 'yes-no', label: '“Something is wrong here”' },
    canClaim: {
      as: 'yes-no',
      label: '“This is mine”',
      hint: 'Whoever you make the owner of a listing may correct it from then on.',
    },
  },
  begin: ({ kind }) => (kind ? { settings: {} } : { lacks: NEEDS_LISTING }),
  faults: ({ canTell, canClaim }, scene) => [
    ...withoutListing(scene),
    ...(canTell || canClaim ? [] : ['it offers nothing.']),
  ],
});
