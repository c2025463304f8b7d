import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { SORT, flagged, leadPicture, summarySlots, titleSlot } from './parts.js';

export const wordsOnPicture: CardStarter = {
  name: 'words-on-picture',
  label: 'Stories and guides',
  purpose: 'The picture fills the card, and the title lies on it',
  kinds: [
    ...['guide', 'guides', 'story', 'stories', 'article', 'articles', 'tour', 'tours', 'walk', 'walks', 'recipe'],
    ...['recipes', 'project', 'projects', 'work', 'works', 'exhibit', 'exhibits', 'beitrag', 'rezept', 'touren'],
  ],
  roles: [SORT, { name: 'day', label: 'a day', types: ['date'] }],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'behind', ratio: '4:5' }),
    surface: 'plain',
    zones: {
      ...flagged(kind, [
        ...slotOfRole(cast, 'sort', { label: '', icon: '', size: 'small' }),
        titleSlot('larger'),
        ...summarySlots(kind, 3),
      ]),
      foot: slotOfRole(cast, 'day', { label: '', icon: '', size: 'small' }),
    },
  }),
};
