import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { sceneOver } from '../../../testing/sites.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeFacet, makeField, makeSelection } from '../../structure/index.js';
import { listOfKind } from './asked-list.js';
import type { AskedList } from './asked-list.js';
import { listOfSelection } from './selection-list.js';
import { suggest, suggestPlaces } from './suggest.js';

const CHOICES = ['Fuel quay', 'Quay wall', 'Buoy'].map((label, at) => ({ key: `t${at}`, label }));
const TYPE = makeField({ key: 'type', label: 'Type', type: 'one-choice', settings: { choices: CHOICES } });
const FACET = makeFacet({ key: 'type', label: 'Type', field: 'type' });
const place = { latitude: 1, longitude: 2, address: '' };

const berths = buildCatalog(
  makeKind([TYPE], { facets: [FACET] }),
  [
    makeListing({ id: 1, title: 'Long quay', values: { type: 't0' } }),
    makeListing({ id: 2, title: 'Quay', values: { type: 't0' } }),
    makeListing({ id: 3, title: 'Hidden quay', status: 'hidden', values: { type: 't1' } }),
    ...Array.from({ length: 9 }, (_, at) => makeListing({ id: 10 + at, title: `Buoy ${at}`, values: { type: 't2' } })),
  ],
  'en',
);
const harbours = buildCatalog(
  makeKind([], { id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours', facets: [] }),
  [
    makeListing({ id: 21, kindId: 2, title: 'Quayside', place }),
    makeListing({ id: 22, kindId: 2, title: 'Quay end' }),
    makeListing({ id: 23, kindId: 2, title: 'Quayside', status: 'draft', place }),
  ],
  'en',
);
const scene = sceneOver([berths, harbours], contextIn('en'));

describe('Suggestions while words are typed', () => {
  const ids = (list: AskedList, text: string): number[] => suggest(list, text, scene).listings.map(({ id }) => id);

  it('name the listings of the list that fit best, the unfinished word taken as a beginning; none that are hidden', () => {
    expect(ids(listOfKind(berths), 'qua')).toEqual([2, 1]);
    expect(ids(listOfKind(berths), 'buo').length).toBe(6);
    // Most of the words are not enough here: what is suggested is what will be found.
    expect(ids(listOfKind(berths), 'quay lantern')).toEqual([]);
    expect(ids(listOfKind(berths), '')).toEqual([]);
  });

  it('name values of facets whose label has all the words, with what they give', () => {
    const { values } = suggest(listOfKind(berths), 'quay', scene);
    expect(values).toEqual([{ facet: 'type', value: 't0', label: 'Fuel quay', count: 2 }]);
    expect(suggest(listOfKind(berths), 'quay fuel', scene).values.map(({ value }) => value)).toEqual(['t0']);
  });

  it('stay within a selection, and give each of its kinds a share', () => {
    const where = { join: 'all' as const, of: [{ field: '@title', op: 'is-not' as const, value: 'Quay' }] };
    const both = makeSelection({ slug: 'x', name: 'X', kinds: [1, 2], where, facets: ['kind', 'type'] });
    const list = listOfSelection(both, scene);
    expect(ids(list, 'quay')).toEqual([1, 22, 21]);
    expect(suggest(list, 'harb', scene).values).toEqual([
      { facet: 'kind', value: 'harbours', label: 'Harbours', count: 2 },
    ]);
  });

  it('of places are titles of listings with one, each once', () => {
    expect(suggestPlaces('quay', scene)).toContain('Quayside');
    expect(suggestPlaces('quayside', scene)).toEqual(['Quayside']);
    expect(suggestPlaces('buoy', scene)).toEqual([]);
  });
});
