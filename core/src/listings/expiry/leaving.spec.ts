import { makeListing } from '../../../testing/builders.js';
import type { ExpirySketch, Field, KindDefinition } from '../../structure/index.js';
import { expiryFaults, makeExpiryRule, makeField, makeKindDefinition, readContext } from '../../structure/index.js';
import type { Listing } from '../listing.js';
import { momentWords } from './expiry-words.js';
import { leavesAt } from './leaving.js';

const FIELDS: readonly Field[] = [
  makeField({ key: 'starts', label: 'Starts', type: 'date' }),
  makeField({ key: 'doors', label: 'Doors', type: 'date-time' }),
  makeField({ key: 'season', label: 'Season', type: 'range', settings: { ends: 'date' } }),
  makeField({ key: 'name', label: 'Name', type: 'short-text', required: true }),
  makeField({ key: 'mail', label: 'Mail', type: 'email' }),
  makeField({
    key: 'topics',
    label: 'Topics',
    type: 'categories',
    settings: { choices: [{ key: 'past', label: 'Past' }] },
  }),
];

function kindWith(expiry: ExpirySketch | null): KindDefinition {
  return makeKindDefinition({ slug: 'courses', one: 'Course', many: 'Courses', fields: FIELDS, expiry });
}

function leaving(given: Partial<Listing>, expiry: ExpirySketch, zone: string): string | null {
  const moment = leavesAt(makeListing({ id: 1, ...given }), kindWith(expiry), zone);
  return moment === null ? null : new Date(moment).toISOString().replace(':00.000Z', 'Z');
}

const fromStarts = (given: Partial<ExpirySketch> & { dayEdge?: 'start' } = {}): ExpirySketch => {
  const { dayEdge = 'end', ...others } = given;
  return { countedFrom: { by: 'field', field: 'starts', dayEdge }, ...others };
};

describe('A listing that leaves by a date', () => {
  // Each zone's changes of clocks by the law that sets them; the offsets before and after are those of the IANA database.
  const days: readonly (readonly [zone: string, day: string, leaves: string, source: string])[] = [
    ['Europe/Lisbon', '2026-03-28', '2026-03-29T00:00Z', 'Directive 2000/84/EC: the last Sunday in March, 01:00 UTC'],
    ['Europe/Lisbon', '2026-03-29', '2026-03-29T23:00Z', 'the same'],
    ['Europe/Berlin', '2026-10-25', '2026-10-25T23:00Z', 'Directive 2000/84/EC: the last Sunday in October, 01:00 UTC'],
    [
      'America/New_York',
      '2026-03-07',
      '2026-03-08T05:00Z',
      'Energy Policy Act of 2005, 110: second Sunday in March, 2:00',
    ],
    ['America/New_York', '2026-03-08', '2026-03-09T04:00Z', 'the same'],
    ['America/New_York', '2026-11-01', '2026-11-02T05:00Z', 'the same: first Sunday in November, 2:00'],
    [
      'Australia/Sydney',
      '2026-10-04',
      '2026-10-04T13:00Z',
      'Standard Time Act 1987 (NSW): first Sunday in October, 2:00',
    ],
    [
      'Pacific/Auckland',
      '2026-09-27',
      '2026-09-27T11:00Z',
      'NZ Daylight Time Order 2007: last Sunday in September, 2:00',
    ],
    ['Asia/Kathmandu', '2026-06-15', '2026-06-15T18:15Z', 'IANA time zone database: +05:45 since 1986'],
    ['Asia/Kolkata', '2026-06-15', '2026-06-15T18:30Z', 'IANA time zone database: +05:30'],
    // At midnight clocks go from 00:00 to 01:00, so the day begins an hour later.
    ['Asia/Beirut', '2026-03-28', '2026-03-28T22:00Z', 'IANA time zone database: last Sunday in March, 0:00'],
    // Samoa went from 29 to 31 December 2011, so that the day after the 29th began when the 31st did.
    ['Pacific/Apia', '2011-12-29', '2011-12-30T10:00Z', 'IANA time zone database: 30 December 2011 was left out'],
  ];
  for (const [zone, day, leaves, source] of days) {
    it(`leaves when ${day} ends in ${zone} (${source})`, () => {
      expect(leaving({ values: { starts: day } }, fromStarts(), zone)).toBe(leaves);
    });
  }

  // Common practice: a month after the 31st is the last day of a shorter month, a year after 29 February is the 28th.
  const moved: readonly (readonly [
    day: string,
    amount: number,
    unit: 'day' | 'week' | 'month' | 'year',
    leaves: string,
  ])[] = [
    ['2026-01-31', 1, 'month', '2026-03-01T00:00Z'],
    ['2024-01-31', 1, 'month', '2024-03-01T00:00Z'],
    ['2024-02-29', 1, 'year', '2025-03-01T00:00Z'],
    ['2026-03-31', -1, 'month', '2026-03-01T00:00Z'],
    ['2026-12-04', 3, 'week', '2026-12-26T00:00Z'],
    ['2026-12-04', -1, 'day', '2026-12-04T00:00Z'],
  ];
  for (const [day, amount, unit, leaves] of moved) {
    it(`moved by ${amount} ${unit}s from ${day}, leaves at ${leaves}`, () => {
      expect(leaving({ values: { starts: day } }, fromStarts({ offset: { amount, unit } }), 'UTC')).toBe(leaves);
    });
  }

  it('leaves when the day begins, where the rule says so, and by hours that are all alike', () => {
    const values = { starts: '2026-03-29' };
    expect(leaving({ values }, fromStarts({ dayEdge: 'start' }), 'Europe/Lisbon')).toBe('2026-03-29T00:00Z');
    const later = fromStarts({ dayEdge: 'start', offset: { amount: 3, unit: 'hour' } });
    expect(leaving({ values }, later, 'Europe/Lisbon')).toBe('2026-03-29T03:00Z');
  });

  it('leaves where its range begins or ends, and stays without a date', () => {
    const by = (rangeEnd: 'from' | 'to'): ExpirySketch => ({ countedFrom: { by: 'field', field: 'season', rangeEnd } });
    const values = { season: { from: '2026-05-01', to: '2026-09-30' } };
    expect(leaving({ values }, by('from'), 'UTC')).toBe('2026-05-02T00:00Z');
    expect(leaving({ values }, by('to'), 'UTC')).toBe('2026-10-01T00:00Z');
    expect(leaving({ values: {} }, by('to'), 'UTC')).toBeNull();
  });
});

describe('A listing that leaves by a moment', () => {
  const doors = (offset?: ExpirySketch['offset']): ExpirySketch => ({
    countedFrom: { by: 'field', field: 'doors' },
    ...(offset && { offset }),
  });

  it('keeps its time of day; one that is skipped is the later one, one that comes twice the earlier', () => {
    const day = { amount: 1, unit: 'day' } as const;
    // Lord Howe Island moves its clocks by half an hour, at 2:00 on the first Sunday in October (IANA database).
    const skipped = leaving({ values: { doors: '2026-10-02T15:45Z' } }, doors(day), 'Australia/Lord_Howe');
    expect(skipped).toBe('2026-10-03T15:45Z');
    const twice = leaving({ values: { doors: '2026-04-03T15:30Z' } }, doors(day), 'Australia/Sydney');
    expect(twice).toBe('2026-04-04T15:30Z');
    expect(leaving({ values: { doors: '2026-12-04T18:00Z' } }, doors(), 'Europe/Lisbon')).toBe('2026-12-04T18:00Z');
  });

  it('is the same for all, where the rule names one', () => {
    const rule: ExpirySketch = { countedFrom: { by: 'moment', at: '2026-12-31T23:00Z' } };
    expect(leaving({}, rule, 'Europe/Lisbon')).toBe('2026-12-31T23:00Z');
  });

  it('counts from when visitors could first see it', () => {
    const rule: ExpirySketch = { countedFrom: { by: 'publishing' }, offset: { amount: 2, unit: 'month' } };
    const published = Date.UTC(2026, 11, 31, 10);
    expect(leaving({ publishedAt: published }, rule, 'UTC')).toBe('2027-02-28T10:00Z');
    const later = { publishedAt: published, shownFrom: Date.UTC(2027, 0, 5) };
    expect(leaving(later, rule, 'UTC')).toBe('2027-03-05T00:00Z');
    expect(leaving({ publishedAt: null }, rule, 'UTC')).toBeNull();
  });
});

describe('What a listing says itself', () => {
  const values = { starts: '2026-12-04' };
  const own = Date.UTC(2027, 0, 1);

  it('goes before the rule', () => {
    expect(leaving({ values, shownUntil: own }, fromStarts(), 'UTC')).toBe('2027-01-01T00:00Z');
    expect(leaving({ values, expiry: 'off' }, fromStarts(), 'UTC')).toBeNull();
    expect(leaving({ values, expiry: 'off', shownUntil: own }, fromStarts(), 'UTC')).toBe('2027-01-01T00:00Z');
  });

  it('decides whether it follows a rule that listings follow only if they say so', () => {
    const optional = fromStarts({ byDefault: false });
    expect(leaving({ values }, optional, 'UTC')).toBeNull();
    expect(leaving({ values, expiry: 'by-rule' }, optional, 'UTC')).toBe('2026-12-05T00:00Z');
  });
});

describe('An expiry rule', () => {
  const faults = (expiry: ExpirySketch): string[] => expiryFaults({ expiry: makeExpiryRule(expiry), fields: FIELDS });

  it('is refused with a reason for everything that it cannot do', () => {
    const consequences = [
      { key: 'a', days: -2, deed: { act: 'set-status', status: 'hidden' } },
      { key: 'a', days: 3, deed: { act: 'delete' } },
      { days: 5, deed: { act: 'categorise', field: 'topics', add: ['gone'] } },
      { key: 'd', deed: { act: 'set-field', field: 'name', value: null } },
      { key: 'e', deed: { act: 'tell', to: ['nobody'], fields: ['name'] } },
      { key: 'f', deed: { act: 'tell' } },
    ] as const;
    expect(faults({ countedFrom: { by: 'field', field: 'mail' }, consequences })).toEqual([
      'Mail is no date.',
      'two consequences have the same key.',
      'before a listing leaves, people can be told and nothing else.',
      'Topics has no category “gone”.',
      'Name is required, so it cannot be emptied.',
      '“nobody” is not an e-mail address.',
      'it tells the address in “Name”, which holds none.',
      'it says nobody who is to be told.',
      'something is to happen after the listing has been deleted. Move it before that.',
    ]);
    expect(faults({ countedFrom: { by: 'field', field: 'gone' } })).toHaveSize(1);
    expect(faults({ countedFrom: { by: 'moment', at: 'soon' } })).toEqual(['it needs a date and a time.']);
    expect(faults({ countedFrom: { by: 'publishing' } })).toHaveSize(1);
    expect(faults(fromStarts())).toEqual([]);
  });
});

describe('A moment in words', () => {
  const { formats } = readContext({ locale: 'en-GB', zone: 'Europe/Lisbon', nowInMs: 0 });

  it('at midnight is the end of the day before', () => {
    expect(momentWords(Date.UTC(2026, 11, 5), formats)).toBe('at the end of Friday, 4 December 2026');
    expect(momentWords(Date.UTC(2026, 11, 4, 18), formats)).toBe('on Friday, 4 December 2026 at 18:00');
    expect(momentWords(Date.UTC(2026, 6, 4, 23), formats)).toBe('at the end of Saturday, 4 July 2026');
  });
});
