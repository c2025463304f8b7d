import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { BELONGS_TO, FEATURES, PRICE, SORT, flagged, leadPicture, summarySlots, titleSlot } from './parts.js';

export const placeToStay: CardStarter = {
  name: 'place-to-stay',
  label: 'Places to stay',
  purpose: 'A large picture, how many it is for, and the price at its foot',
  kinds: [
    'berth',
    'berths',
    'room',
    'rooms',
    'cabin',
    'cabins',
    'hotel',
    'hotels',
    'apartment',
    'flat',
    'house',
    'houses',
    'property',
    'properties',
    'pitch',
    'stay',
    'zimmer',
    'wohnung',
  ],
  roles: [
    { ...PRICE, isNeeded: true },
    {
      name: 'room',
      label: 'how many it is for',
      types: [],
      hinted: ['whole-number', 'decimal', 'range'],
      hints: ['guests', 'persons', 'people', 'beds', 'sleeps', 'rooms', 'bedrooms', 'capacity', 'personen', 'zimmer'],
    },
    { name: 'size', label: 'a measure', types: ['measure'] },
    SORT,
    FEATURES,
    BELONGS_TO,
  ],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'above', ratio: '4:3' }),
    surface: 'raised',
    zones: {
      ...flagged(kind, [
        ...slotOfRole(cast, 'belongsTo', { label: '', icon: 'location_on', size: 'small', tone: 'quiet' }),
        titleSlot(),
        ...summarySlots(kind, 2),
      ]),
      body: [
        ...slotOfRole(cast, 'sort', { label: '', size: 'small' }),
        ...slotOfRole(cast, 'room', { size: 'small' }),
        ...slotOfRole(cast, 'size', { size: 'small' }),
      ],
      foot: [
        ...slotOfRole(cast, 'price', { label: '', icon: '', size: 'large', isBold: true }),
        ...slotOfRole(cast, 'features', { label: '', size: 'small', tone: 'quiet', lines: 1 }),
      ],
    },
  }),
};
