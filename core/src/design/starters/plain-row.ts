import { fieldType } from '../../structure/index.js';
import { slotOfField } from '../slots/slot.js';
import type { CardStarter } from './starter.js';
import { slotOfRole } from './starter.js';
import { SORT, titleSlot } from './parts.js';

const MOST_VALUES = 3;

export const plainRow: CardStarter = {
  name: 'plain-row',
  label: 'Things to look up',
  purpose: 'A number, a title and a few values, close together and without a picture',
  kinds: [
    'channel',
    'channels',
    'light',
    'lights',
    'document',
    'documents',
    'rule',
    'rules',
    'term',
    'terms',
    'standard',
    'code',
    'part',
    'parts',
  ],
  roles: [{ name: 'number', label: 'a reference number', types: ['reference'] }, SORT],
  card(cast, { fields }) {
    const taken = Object.values(cast);
    const rest = fields.filter(({ key, type }) => fieldType(type).short && !taken.includes(key)).slice(0, MOST_VALUES);
    return {
      picture: { stands: 'none' },
      surface: 'plain',
      columns: 3,
      zones: {
        heading: [
          ...slotOfRole(cast, 'number', { label: '', icon: '', size: 'small', tone: 'quiet' }),
          titleSlot('normal'),
          ...slotOfRole(cast, 'sort', { label: '', size: 'small', tone: 'quiet' }),
        ],
        body: rest.map(({ key }) => slotOfField(key, { size: 'small', lines: 2 })),
      },
    };
  },
};
