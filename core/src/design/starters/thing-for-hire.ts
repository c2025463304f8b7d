import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { BELONGS_TO, PRICE, SORT, flagged, leadPicture, summarySlots, titleSlot } from './parts.js';

export const thingForHire: CardStarter = {
  name: 'thing-for-hire',
  label: 'Things for hire or sale',
  purpose: 'A wide picture, what it measures and how old it is, and the price where the eye ends',
  kinds: [
    ...['vehicle', 'vehicles', 'car', 'cars', 'van', 'vans', 'bike', 'bikes', 'boat', 'boats', 'yacht', 'yachts'],
    ...['machine', 'machines', 'tool', 'tools', 'item', 'items', 'product', 'products', 'equipment'],
    ...['fahrzeug', 'fahrzeuge', 'rad', 'boot', 'maschine', 'ware'],
  ],
  roles: [
    { ...PRICE, isNeeded: true },
    { name: 'size', label: 'a measure', types: ['measure'] },
    {
      name: 'year',
      label: 'a year',
      types: [],
      hinted: ['whole-number', 'date'],
      hints: ['year', 'built', 'made', 'registered', 'baujahr', 'jahr'],
    },
    SORT,
    { name: 'state', label: 'a choice of its state', types: ['one-choice'] },
    BELONGS_TO,
  ],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'above', ratio: '16:9' }),
    surface: 'line',
    zones: {
      ...flagged(kind, [
        ...slotOfRole(cast, 'sort', { label: '', icon: '', size: 'small', tone: 'accent' }),
        titleSlot(),
        ...summarySlots(kind, 1),
      ]),
      body: [
        ...slotOfRole(cast, 'size', { size: 'small' }),
        ...slotOfRole(cast, 'year', { size: 'small' }),
        ...slotOfRole(cast, 'state', { size: 'small' }),
        ...slotOfRole(cast, 'belongsTo', { size: 'small' }),
      ],
      foot: slotOfRole(cast, 'price', { label: '', icon: '', size: 'larger', isBold: true }),
    },
  }),
};
