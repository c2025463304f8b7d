import { contextIn, makeListing } from '../../testing/builders.js';
import type { AddressPart } from '../structure/index.js';
import { checkAddresses, makeAddressPart, makeField, patternWithoutField } from '../structure/index.js';
import type { Listing } from '../listings/index.js';
import { addressOfListing, isAddressLike } from '../listings/index.js';
import { AddressPlan } from './address-plan.js';

const FIELDS = [
  makeField({ key: 'start', label: 'Starts', type: 'date' }),
  makeField({ key: 'sails_at', label: 'Sails at', type: 'date-time' }),
  makeField({
    key: 'level',
    label: 'Level',
    type: 'one-choice',
    settings: { choices: [{ key: 'day_skipper', label: 'Day skipper' }] },
  }),
  makeField({ key: 'length', label: 'Length', type: 'decimal' }),
  makeField({ key: 'photo', label: 'Photo', type: 'picture' }),
];
const { zone } = contextIn();
const SLASH = { text: '/' };
const TITLE = { field: '@title' };
const YEAR = { field: 'start', as: 'year' } as const;
const pattern = (...parts: readonly Partial<AddressPart>[]): AddressPart[] => parts.map(makeAddressPart);
const kindOf = (
  ...parts: readonly Partial<AddressPart>[]
): { addressPattern: AddressPart[]; fields: typeof FIELDS } => {
  return { addressPattern: pattern(...parts), fields: FIELDS };
};
const course = (title: string, start: string, more: Partial<Listing> = {}): Listing =>
  makeListing({ id: 1, title, values: { start, level: 'day_skipper', length: 12.5 }, ...more });

describe('The address of a listing', () => {
  it('is its slug where its kind has no pattern', () => {
    expect(addressOfListing(course('Radio', '2026-12-04'), { addressPattern: null, fields: FIELDS }, zone)).toBe(
      'listing-1',
    );
  });

  it('is made of values, as letters, digits, hyphens and slashes alone', () => {
    const at = (...parts: readonly Partial<AddressPart>[]): string =>
      addressOfListing(course('Radio für “Ærø”', '2026-12-04'), kindOf(...parts), zone);
    expect(at(YEAR, SLASH, TITLE)).toBe('2026/radio-fur-aero');
    expect(at({ field: 'start', as: 'month' }, SLASH, { text: 'course' }, TITLE)).toBe('2026-12/course-radio-fur-aero');
    expect(at({ field: 'level' }, { field: 'length' }, SLASH, { field: 'start', as: 'day' })).toBe(
      'day-skipper-12-5/2026-12-04',
    );
  });

  it('leaves out what is empty, and falls back on the slug', () => {
    const empty = makeListing({ id: 7, title: 'Radio' });
    expect(addressOfListing(empty, kindOf(YEAR, SLASH, TITLE), zone)).toBe('radio');
    expect(addressOfListing(empty, kindOf(YEAR), zone)).toBe('listing-7');
  });

  it('has the dates of the zone', () => {
    const late = course('Radio', '2026-12-31', {
      publishedAt: Date.UTC(2026, 11, 31, 23, 30),
      values: { sails_at: '2026-12-31T23:30Z' },
    });
    const at = (field: string, where: string): string => addressOfListing(late, kindOf({ field, as: 'day' }), where);
    expect([at('sails_at', 'Europe/Lisbon'), at('sails_at', 'Europe/Berlin')]).toEqual(['2026-12-31', '2027-01-01']);
    expect(at('@publishedAt', 'Europe/Berlin')).toBe('2027-01-01');
  });

  it('stays when it has a number only because it was taken', () => {
    expect(isAddressLike('2026/radio-2', '2026/radio')).toBeTrue();
    expect(isAddressLike('2026/radio-two', '2026/radio')).toBeFalse();
    expect(isAddressLike('2026/radios', '2026/radio')).toBeFalse();
  });
});

describe('A pattern of addresses', () => {
  const issuesOf = (...parts: readonly Partial<AddressPart>[]): string[] =>
    checkAddresses(kindOf(...parts)).map(({ code, message }) => `${code}: ${message}`);

  it('needs a value, something between its slashes, and fields that can stand in an address', () => {
    expect(issuesOf(YEAR, SLASH, TITLE)).toEqual([]);
    expect(issuesOf({ text: 'course' })).toEqual([
      'kind.addresses: The addresses of the listings are not right: without a value all listings would have the same address.',
    ]);
    expect(issuesOf(TITLE, SLASH)[0]).toContain('nothing before or after a slash');
    expect(issuesOf({ field: 'photo' })[0]).toContain('Photo cannot stand in an address, as it is a picture');
    expect(issuesOf({ field: 'start' })[0]).toContain('Starts cannot stand in an address as “whole”');
    expect(issuesOf({ field: 'gone' }, TITLE)[0]).toContain('the field “gone”, which is not there');
    expect(issuesOf({ text: '../up' }, TITLE)[0]).toContain('small letters, digits and hyphens');
  });

  it('goes on without a field that is deleted', () => {
    expect(patternWithoutField(pattern(YEAR, SLASH, TITLE), 'start')).toEqual(pattern(TITLE));
    expect(patternWithoutField(pattern(YEAR, SLASH, { text: 'x' }), 'start')).toBeNull();
  });
});

describe('A plan of addresses', () => {
  const planOf = (...listings: readonly Listing[]): AddressPlan => {
    const plan = new AddressPlan(kindOf(YEAR, SLASH, TITLE), zone);
    for (const listing of listings) plan.take(listing);
    return plan;
  };

  it('refuses what several listings would share, by their titles', () => {
    const plan = planOf(
      course('Radio', '2026-01-04'),
      course('Radio!', '2026-12-04', { id: 2 }),
      course('Radio', '2027-01-04', { id: 3 }),
    );
    expect(plan.issues()).toEqual([
      {
        code: 'kind.address-clash',
        field: 'addressPattern',
        params: { count: '2', title: 'Radio', other: 'Radio!', address: '2026/radio' },
        message: jasmine.stringContaining(
          '2 listings would have the same address as another one: “Radio” and “Radio!” would both',
        ),
      },
    ]);
    expect(plan.report()).toEqual(
      jasmine.objectContaining({
        total: 3,
        moved: 3,
        clashing: 2,
        clashes: [
          {
            address: '2026/radio',
            count: 2,
            listings: [
              { id: 1, title: 'Radio' },
              { id: 2, title: 'Radio!' },
            ],
          },
        ],
      }),
    );
  });

  it('tells who moves where; what is in the bin makes way', () => {
    const plan = planOf(
      course('Radio', '2026-01-04', { address: '2026/radio' }),
      course('Radio', '2026-12-04', { id: 2, status: 'binned', address: 'radio-2' }),
      course('Sail', '2026-12-04', { id: 3, address: 'sail' }),
    );
    expect(plan.issues()).toEqual([]);
    expect(plan.moves()).toEqual([
      { id: 3, from: 'sail', to: '2026/sail' },
      { id: 2, from: 'radio-2', to: '2026/radio-2' },
    ]);
  });
});
