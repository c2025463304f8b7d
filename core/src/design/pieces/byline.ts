import { NEEDS_LISTING, pieceType, withoutListing } from './piece-type.js';

export const byline = pieceType({
  label: 'Byline',
  icon: 'person',
  purpose: 'Who wrote it, when it was added and changed, as far as the kind says so',
  form: {},
  controls: {},
  begin: (scene) => (scene.kind ? { settings: {} } : { lacks: NEEDS_LISTING }),
  faults: (_, scene) => withoutListing(scene),
});
