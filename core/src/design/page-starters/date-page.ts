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

export const datePage: PageStarter = {
  name: 'date-page',
  label: 'Something with a date',
  purpose: 'When and for how much in a box beside the words, then who and where',
  serves: 'listing',
  kinds: ['course', 'courses', 'event', 'events', 'workshop', 'workshops', 'concert', 'concerts', 'kurs', 'kurse'],
  roles: [{ name: 'when', label: 'a date', types: ['date', 'date-time', 'range'], isNeeded: true }, PRICE],
  strips: (cast, kind) => [
    headStrip(kind),
    {
      name: 'When and what',
      columns: [
        { pieces: [...picturePieces(kind), ...textPieces(kind), ...specificationPieces(kind)] },
        {
          ...{ rem: SIDE, order: 1 },
          pieces: [
            ...largePieces(cast, 'when'),
            ...largePieces(cast, 'price'),
            ...factPieces(kind, cast),
            ...buttonPieces(kind),
          ],
        },
      ],
    },
    ...linkedStrips(kind),
    ...alikeStrips(kind),
  ],
};
