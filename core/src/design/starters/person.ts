import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { FEATURES, SORT, flagged, leadPicture, summarySlots, titleSlot } from './parts.js';

export const person: CardStarter = {
  name: 'person',
  label: 'People',
  purpose: 'An upright portrait, what somebody does, and how to reach them',
  kinds: [
    'person',
    'people',
    'instructor',
    'instructors',
    'doctor',
    'physician',
    'physicians',
    'teacher',
    'member',
    'members',
    'staff',
    'team',
    'expert',
    'speaker',
    'arzt',
    'lehrer',
  ],
  roles: [
    {
      ...SORT,
      label: 'what somebody does',
      hinted: ['short-text'],
      hints: [
        'profession',
        'speciality',
        'specialty',
        'role',
        'position',
        'subject',
        'subjects',
        'job',
        'beruf',
        'fach',
      ],
    },
    { name: 'phone', label: 'a telephone number', types: ['phone'] },
    { name: 'email', label: 'an e-mail address', types: ['email'] },
    { ...FEATURES, label: 'languages or skills', hints: ['languages', 'skills', 'sprachen'] },
  ],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'above', ratio: '4:5' }),
    surface: 'plain',
    zones: {
      ...flagged(kind, [
        titleSlot(),
        ...slotOfRole(cast, 'sort', { label: '', icon: '', size: 'small', tone: 'accent' }),
        ...summarySlots(kind, 2),
      ]),
      body: slotOfRole(cast, 'features', { size: 'small' }),
      foot: [
        ...slotOfRole(cast, 'phone', { label: '', leadsTo: '@value' }),
        ...slotOfRole(cast, 'email', { label: '', leadsTo: '@value' }),
      ],
    },
  }),
};
