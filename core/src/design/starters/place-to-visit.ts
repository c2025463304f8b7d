import { hasPart } from '../../structure/index.js';
import { slotOfField } from '../slots/slot.js';
import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { FEATURES, SORT, flagged, leadPicture, summarySlots, titleSlot } from './parts.js';

export const placeToVisit: CardStarter = {
  name: 'place-to-visit',
  label: 'Places to visit',
  purpose: 'A wide picture, where it is, how far, and what is there',
  kinds: [
    ...['place', 'places', 'harbour', 'harbours', 'harbor', 'harbors', 'marina', 'beach', 'beaches', 'park', 'parks'],
    ...['museum', 'museums', 'sight', 'sights', 'station', 'stations', 'ort', 'orte', 'hafen'],
  ],
  roles: [
    {
      ...SORT,
      hints: ['region', 'area', 'district', 'gegend'],
      label: 'a region',
    },
    FEATURES,
  ],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'above', ratio: '16:9' }),
    surface: 'raised',
    zones: {
      ...flagged(kind, [
        ...slotOfRole(cast, 'sort', { label: '', icon: 'location_on', size: 'small', tone: 'quiet' }),
        titleSlot(),
        ...summarySlots(kind, 2),
      ]),
      body: slotOfRole(cast, 'features', { size: 'small' }),
      foot: hasPart(kind, 'place') ? [slotOfField('@distance', { label: '', size: 'small', tone: 'quiet' })] : [],
    },
  }),
};
