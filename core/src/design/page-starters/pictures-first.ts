import {
  SIDE,
  alikeStrips,
  buttonPieces,
  factPieces,
  headStrip,
  linkedStrips,
  picturePieces,
  sharePieces,
  specificationPieces,
  textPieces,
} from './listing-parts.js';
import type { PageStarter } from './page-starter.js';

export const picturesFirst: PageStarter = {
  name: 'pictures-first',
  label: 'Pictures first',
  purpose: 'Large pictures with the facts beside them, then the words, what it is linked with and what is like it',
  serves: 'listing',
  kinds: ['place', 'places', 'harbour', 'harbours', 'property', 'properties', 'house', 'houses', 'ort', 'orte'],
  roles: [{ name: 'pictures', label: 'pictures', types: ['pictures', 'picture'] }],
  strips: (_, kind) => [
    headStrip(kind),
    {
      name: 'Pictures and facts',
      columns: [{ pieces: picturePieces(kind) }, { rem: SIDE, pieces: [...factPieces(kind), ...buttonPieces(kind)] }],
    },
    { name: 'Words', columns: [{ pieces: [...textPieces(kind), ...specificationPieces(kind), ...sharePieces()] }] },
    ...linkedStrips(kind),
    ...alikeStrips(kind),
  ],
};
