import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { FEATURES, SORT, buttonOfRole, featuredTag, leadPicture, summarySlots, titleSlot } from './parts.js';

export const business: CardStarter = {
  name: 'business',
  label: 'Businesses with offers',
  purpose: 'A small picture beside what it does, where it is, and a button to it',
  kinds: [
    'business',
    'businesses',
    'company',
    'companies',
    'shop',
    'shops',
    'yard',
    'boatyard',
    'boatyards',
    'restaurant',
    'clinic',
    'practice',
    'firm',
    'service',
    'services',
    'supplier',
    'betrieb',
    'firma',
  ],
  roles: [
    SORT,
    { ...FEATURES, types: ['several-choices', 'categories'] },
    { name: 'phone', label: 'a telephone number', types: ['phone'] },
    { name: 'site', label: 'a web address', types: ['web-address'] },
  ],
  card: (cast, kind) => ({
    picture: leadPicture(kind, { stands: 'start', ratio: '1:1' }),
    surface: 'line',
    leads: 'title',
    zones: {
      heading: [
        featuredTag(),
        titleSlot(),
        ...slotOfRole(cast, 'sort', { label: '', size: 'small', tone: 'quiet' }),
        ...summarySlots(kind, 3),
      ],
      body: slotOfRole(cast, 'features', { size: 'small' }),
      foot: [...slotOfRole(cast, 'phone', { label: '', leadsTo: '@value' }), ...buttonOfRole(cast, 'site', kind)],
    },
  }),
};
