import fc from 'fast-check';
import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeField, makeFacet } from '../../structure/index.js';
import type { Box, Query } from '../index.js';
import {
  BLANK_QUERY,
  boxFromUrl,
  boxToUrl,
  countQuery,
  listOfKind,
  nearestDrop,
  queryFromUrl,
  runQuery,
  sceneOf,
  urlOfQuery,
} from '../index.js';

const kind = makeKind([makeField({ key: 'deep', label: 'Deep', type: 'yes-no' })], {
  parts: ['place'],
  facets: [makeFacet({ key: 'deep', label: 'Deep', field: 'deep', control: 'yes-no' })],
  pageSize: 100,
});
const places = fc.array(
  fc.option(fc.record({ latitude: fc.integer({ min: -90, max: 90 }), longitude: fc.integer({ min: -179, max: 180 }) })),
  { maxLength: 30 },
);
const boxes: fc.Arbitrary<Box> = fc
  .record({
    south: fc.integer({ min: -90, max: 89 }),
    height: fc.integer({ min: 1, max: 60 }),
    west: fc.integer({ min: -179, max: 180 }),
    east: fc.integer({ min: -179, max: 180 }),
  })
  .filter(({ west, east }) => west !== east)
  .map(({ south, height, west, east }) => ({ south, west, north: Math.min(90, south + height), east }));

describe('The part of a map that a list is narrowed to', () => {
  it('stands in addresses with all else that is chosen, and comes back from them', () => {
    fc.assert(
      fc.property(boxes, (box) => {
        const query: Query = { ...BLANK_QUERY, text: 'quay', box };
        const address = urlOfQuery(query, kind, () => kind);
        expect(address).toBe(`q=quay&map=${boxToUrl(box)}`);
        expect(queryFromUrl(new URLSearchParams(address), kind, () => kind).box).toEqual(box);
      }),
    );
  });

  it('is none when the address names no part of the earth', () => {
    const wrong = [
      '',
      '1,2,3',
      '1,2,3,4,5',
      'a,b,c,d',
      '50,0,40,10',
      '-91,0,0,10',
      '0,-181,10,10',
      '0,5,10,5',
      '1,,3,4',
    ];
    expect(wrong.map(boxFromUrl)).toEqual(wrong.map(() => null));
    expect(queryFromUrl([['map', '1,2']], kind, () => kind)).toEqual(BLANK_QUERY);
    // A kind whose facet was called so before keeps its addresses.
    const own = { ...kind, facets: [makeFacet({ key: 'map', label: 'Map', field: 'deep', control: 'yes-no' })] };
    expect(queryFromUrl([['map', '1,2,3,4']], own, () => kind).box).toBeUndefined();
  });

  it('lets through what lies in it, over the 180th meridian too, and counts facets there', () => {
    fc.assert(
      fc.property(places, boxes, (given, box) => {
        const listings = given.map((place, at) =>
          makeListing({
            id: at + 1,
            title: `B${at}`,
            place: place && { ...place, address: '' },
            values: { deep: at % 2 === 0 },
          }),
        );
        const catalog = buildCatalog(kind, listings, 'en');
        const { ids, counts } = runQuery(listOfKind(catalog), { ...BLANK_QUERY, box }, sceneOf(catalog, contextIn()));
        // A degree at a time eastwards from west to east, as somebody would walk it; the 180th has one name here.
        const walked = new Set<number>([box.east]);
        for (let at = box.west; at !== box.east; at = at === 180 ? -179 : at + 1) walked.add(at);
        const isIn = (at: number): boolean => {
          const place = given[at];
          return !!place && place.latitude >= box.south && place.latitude <= box.north && walked.has(place.longitude);
        };
        const expected = given.flatMap((_, at) => (isIn(at) ? [at + 1] : []));
        expect([...ids].sort((a, b) => a - b)).toEqual(expected);
        const deep = counts.get('deep');
        const yes = deep?.kind === 'values' ? (deep.counts.get('yes') ?? 0) : -1;
        expect(yes).toBe(expected.filter((id) => id % 2 === 1).length);
      }),
    );
  });

  it('is what can be taken back when nothing is found', () => {
    const catalog = buildCatalog(
      kind,
      [makeListing({ id: 1, place: { latitude: 10, longitude: 10, address: '' } })],
      'en',
    );
    const query: Query = { ...BLANK_QUERY, box: { south: 20, west: 20, north: 30, east: 30 } };
    const drop = nearestDrop(query, (other) => countQuery(listOfKind(catalog), other, sceneOf(catalog, contextIn())));
    expect(drop).toEqual({ facet: null, query: { ...query, box: null, page: 1 }, total: 1 });
  });
});
