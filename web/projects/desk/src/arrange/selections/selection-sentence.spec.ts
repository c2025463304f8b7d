import type { ConditionGroup, Kind } from '@plindo/core/structure';
import { makeSelection, readContext } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';
import { selectionSentence } from './selection-sentence';

const BERTHS: Kind = kindSummary({}, [
  { key: 'price', label: 'Price a night', type: 'money', settings: { currency: 'EUR' } },
  {
    key: 'type',
    label: 'Type',
    type: 'one-choice',
    settings: {
      choices: [
        { key: 'quay', label: 'Quay wall' },
        { key: 'buoy', label: 'Swinging buoy' },
      ],
    },
  },
  { key: 'checked', label: 'Last checked', type: 'date' },
  {
    key: 'harbour',
    label: 'Harbour',
    type: 'link',
    settings: { link: 1, side: 'a', linked: { kindId: 2, many: false, hasNotes: false } },
  },
]).kind;
const HARBOURS = kindSummary({ id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' }, [
  { key: 'fuel', label: 'Fuel', type: 'yes-no' },
]).kind;

describe('A selection read aloud', () => {
  const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 });
  const read = (where: ConditionGroup, more: object = {}): string => {
    const selection = makeSelection({ slug: 's', name: 'S', kinds: [BERTHS.id], where, ...more });
    return selectionSentence(selection, { allKinds: [BERTHS, HARBOURS], context });
  };

  it('names kinds, conditions with their values as visitors see them, the order and how many', () => {
    const where: ConditionGroup = {
      join: 'all',
      of: [
        { field: 'price', op: 'at-most', value: '40' },
        { field: 'type', op: 'is-one-of', value: ['quay', 'buoy'] },
        { field: 'checked', op: 'at-least', value: '2026-03-01' },
      ],
    };
    const order = [
      { by: '@featured', direction: 'down' },
      { by: 'field:price', direction: 'up' },
    ];
    expect(read(where, { order, most: 12 })).toBe(
      'Shows Berths where Price a night is at most €40 and Type is one of Quay wall or Swinging buoy and ' +
        'Last checked is not before 1 March 2026; ordered by Featured first, then Price a night, lowest first; ' +
        'at most 12; 24 a page.',
    );
  });

  it('brackets what is joined otherwise, and reaches through links', () => {
    const where: ConditionGroup = {
      join: 'any',
      of: [
        { field: 'price', op: 'is-empty' },
        {
          join: 'all',
          of: [
            { field: 'type', op: 'is-one-of', value: ['quay'] },
            { field: 'price', op: 'below', value: '9' },
          ],
        },
        { link: 'harbour', where: { join: 'none', of: [{ field: 'fuel', op: 'is', value: 'yes' }] } },
      ],
    };
    expect(read(where, { order: [] })).toBe(
      'Shows Berths where Price a night is empty or (Type is one of Quay wall and Price a night is below €9) or ' +
        'Harbour has one where not (Fuel is Yes); 24 a page.',
    );
  });

  it('says what is not there yet, and what comes from the page', () => {
    const where: ConditionGroup = {
      join: 'all',
      of: [
        { field: 'price', op: 'at-most' },
        { field: 'type', op: 'is-one-of', value: { parameter: 'listing' } },
        { field: 'lost', op: 'is', value: 'x' },
      ],
    };
    expect(read(where, { order: [], picked: null })).toBe(
      'Shows Berths where Price a night is at most … and Type is one of that of the page’s listing and ' +
        'lost, which is gone, …; 24 a page.',
    );
    expect(read({ join: 'all', of: [] }, { picked: [1, 2] })).toBe(
      'Shows 2 listings picked by hand, in their order; 24 a page.',
    );
  });
});
