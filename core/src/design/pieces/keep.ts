import { NEEDS_LISTING, pieceType, withoutListing } from './piece-type.js';

export const keep = pieceType({
  label: 'Keep',
  icon: 'bookmark',
  purpose: 'A button with which visitors put the listing on their shortlist',
  form: {},
  controls: {},
  begin: (scene) => (scene.kind ? { settings: {} } : { lacks: NEEDS_LISTING }),
  faults: (_, scene) => withoutListing(scene),
});
