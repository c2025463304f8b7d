import { pieceType, withoutListing } from './piece-type.js';

export const breadcrumb = pieceType({
  label: 'Way back',
  icon: 'arrow_back',
  purpose: 'Leads to the page of all listings of the kind',
  form: {},
  faults: (_, scene) => withoutListing(scene),
});
