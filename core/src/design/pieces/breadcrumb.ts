import { NEEDS_LISTING, pieceType, withoutListing } from './piece-type.js';

export const breadcrumb = pieceType({
  label: 'Way back',
  icon: 'arrow_back',
  purpose: 'Leads from a listing or a category to the page of all listings of the kind',
  form: {},
  controls: {},
  begin: ({ kind, serves }) => (kind || serves === 'category' ? { settings: {} } : { lacks: NEEDS_LISTING }),
  faults: (_, scene) => (scene.serves === 'category' ? [] : withoutListing(scene)),
});
