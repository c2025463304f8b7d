import { factPieces, headStrip, linkedStrips, sharePieces, specificationPieces, textPieces } from './listing-parts.js';
import type { PageStarter } from './page-starter.js';

export const dataSheet: PageStarter = {
  name: 'data-sheet',
  label: 'A data sheet',
  purpose: 'Every value in one table, rows below it; to be looked up and printed',
  serves: 'listing',
  kinds: [
    'channel',
    'channels',
    'part',
    'parts',
    'species',
    'standard',
    'standards',
    'code',
    'codes',
    'entry',
    'entries',
  ],
  roles: [{ name: 'number', label: 'a reference number', types: ['reference'] }],
  strips: (_, kind) => [
    headStrip(kind),
    {
      name: 'Values',
      columns: [{ pieces: [...factPieces(kind), ...specificationPieces(kind), ...textPieces(kind), ...sharePieces()] }],
    },
    ...linkedStrips(kind),
  ],
};
