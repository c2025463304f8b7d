import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { BELONGS_TO, PRICE, SORT, featuredTag, summarySlots, titleSlot } from './parts.js';

export const comingDate: CardStarter = {
  name: 'coming-date',
  label: 'Courses and dates',
  purpose: 'The day first, in large; then what it is, where, and what it costs',
  kinds: [
    'course',
    'courses',
    'event',
    'events',
    'class',
    'classes',
    'workshop',
    'tour',
    'tours',
    'trip',
    'talk',
    'concert',
    'fair',
    'meeting',
    'kurs',
    'termin',
  ],
  roles: [
    {
      name: 'day',
      label: 'a date',
      types: ['date', 'date-time'],
      hinted: ['range'],
      hints: ['starts', 'start', 'begins', 'date', 'when', 'day', 'beginn', 'datum', 'termin'],
      isNeeded: true,
    },
    PRICE,
    BELONGS_TO,
    SORT,
    {
      name: 'places',
      label: 'how many places are left',
      types: [],
      hinted: ['whole-number', 'decimal'],
      hints: ['places', 'seats', 'spaces', 'platze'],
    },
  ],
  card: (cast, kind) => ({
    picture: { stands: 'none' },
    surface: 'line',
    columns: 2,
    zones: {
      heading: [
        featuredTag(),
        ...slotOfRole(cast, 'day', { label: '', icon: '', size: 'larger', isBold: true, tone: 'accent' }),
        titleSlot(),
        ...summarySlots(kind, 2),
      ],
      body: [
        ...slotOfRole(cast, 'belongsTo', { size: 'small' }),
        ...slotOfRole(cast, 'sort', { size: 'small' }),
        ...slotOfRole(cast, 'places', { size: 'small' }),
      ],
      foot: slotOfRole(cast, 'price', { label: '', icon: '', size: 'large', isBold: true }),
    },
  }),
};
