import { PRICE } from '../starters/parts.js';
import {
  SIDE,
  alikeStrips,
  buttonPieces,
  factPieces,
  headStrip,
  largePieces,
  linkedStrips,
  picturePieces,
  specificationPieces,
  textPieces,
} from './listing-parts.js';
import type { PageStarter } from './page-starter.js';

export const priceBeside: PageStarter = {
  name: 'price-beside',
  label: 'Something with a price',
  purpose: 'The price and the way to book beside the picture, what it offers as tiles',
  serves: 'listing',
  kinds: [
    'berth',
    'berths',
    'room',
    'rooms',
    'product',
    'products',
    'vehicle',
    'vehicles',
    'car',
    'cars',
    'boat',
    'boats',
  ],
  roles: [{ ...PRICE, isNeeded: true }],
  strips: (cast, kind) => [
    headStrip(kind),
    {
      name: 'Picture and price',
      columns: [
        { pieces: picturePieces(kind) },
        { rem: SIDE, order: 2, pieces: [...largePieces(cast, 'price'), ...buttonPieces(kind), { type: 'share' }] },
      ],
    },
    { name: 'At a glance', tone: 'tinted', columns: [{ pieces: factPieces(kind, cast, 'tiles') }] },
    { name: 'Words', columns: [{ pieces: [...textPieces(kind), ...specificationPieces(kind)] }] },
    ...linkedStrips(kind),
    ...alikeStrips(kind),
  ],
};
