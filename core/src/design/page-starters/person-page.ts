import {
  buttonPieces,
  factPieces,
  headPieces,
  linkedStrips,
  picturePieces,
  specificationPieces,
  textPieces,
} from './listing-parts.js';
import type { PageStarter } from './page-starter.js';

export const personPage: PageStarter = {
  name: 'person-page',
  label: 'A person',
  purpose: 'A portrait beside the name, how to reach the person, and what the person is linked with',
  serves: 'listing',
  kinds: [
    'person',
    'people',
    'instructor',
    'instructors',
    'doctor',
    'physician',
    'physicians',
    'team',
    'member',
    'members',
  ],
  roles: [
    { name: 'reach', label: 'an e-mail address or a telephone number', types: ['email', 'phone'] },
    { name: 'tongue', label: 'languages', types: [], hinted: ['several-choices'], hints: ['languages', 'sprachen'] },
  ],
  strips: (_, kind) => [
    {
      name: 'Who it is',
      columns: [
        { rem: 18, pieces: picturePieces(kind) },
        { pieces: [...headPieces(kind), ...factPieces(kind, {}, 'list'), ...buttonPieces(kind)] },
      ],
    },
    { name: 'Words', columns: [{ pieces: [...textPieces(kind), ...specificationPieces(kind)] }] },
    ...linkedStrips(kind),
  ],
};
