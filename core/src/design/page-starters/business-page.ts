import {
  SIDE,
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

export const businessPage: PageStarter = {
  name: 'business-page',
  label: 'A business',
  purpose: 'How to call, write and visit first, then what it does',
  serves: 'listing',
  kinds: [
    'business',
    'businesses',
    'shop',
    'shops',
    'boatyard',
    'boatyards',
    'restaurant',
    'clinic',
    'clinics',
    'firm',
    'firms',
  ],
  roles: [
    { name: 'phone', label: 'a telephone number', types: ['phone'] },
    { name: 'web', label: 'a web address', types: ['web-address'] },
    { name: 'mail', label: 'an e-mail address', types: ['email'] },
  ],
  strips: (_, kind) => [
    headStrip(kind),
    {
      name: 'How to reach it',
      space: 'small',
      columns: [{ pieces: buttonPieces(kind, ['phone', 'email', 'web-address']) }],
    },
    {
      name: 'What it does',
      columns: [
        { rem: SIDE, order: 2, pieces: factPieces(kind) },
        { pieces: [...picturePieces(kind), ...textPieces(kind), ...specificationPieces(kind), ...sharePieces()] },
      ],
    },
    ...linkedStrips(kind),
  ],
};
