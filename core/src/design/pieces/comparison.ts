import { pieceType } from './piece-type.js';

export const comparison = pieceType({
  label: 'Comparison',
  icon: 'compare_arrows',
  purpose: 'What visitors ticked on the shortlist, side by side',
  form: {},
  controls: {},
  begin: ({ serves }) => (serves === 'shortlist' ? { settings: {} } : { lacks: 'the page of the shortlist' }),
  faults: (_, { serves }) => (serves === 'shortlist' ? [] : ['it stands on the page of the shortlist only.']),
});
