import { pieceType, withoutListing } from './piece-type.js';

export const byline = pieceType({
  label: 'Byline',
  icon: 'person',
  purpose: 'Who wrote it, when it was added and changed, as far as the kind says so',
  form: {},
  faults: (_, scene) => withoutListing(scene),
});
