import type { FacetChoice } from '../../query/index.js';
import { BLANK_QUERY } from '../../query/index.js';
import type { ShownList, ShownPage } from '../index.js';
import { arrival, keptSearchWords, pageShown, searchesShown, thingsShown } from '../index.js';

const berths: ShownList = { key: 'kind:2', query: BLANK_QUERY, state: '', isEmpty: false, category: null };
const page: ShownPage = { path: '/berths', listing: null, designId: null, lists: [berths] };
const choices = (chosen: Record<string, FacetChoice>): ReadonlyMap<string, FacetChoice> =>
  new Map(Object.entries(chosen));
const told = (things: readonly { what: string; about: string; detail: string }[]): string[] =>
  things.map(({ what, about, detail }) => [what, about, detail].join(' ').trim());
const searched = (list: Partial<ShownList>): string[] =>
  searchesShown({ ...page, lists: [{ ...berths, ...list }] }).flatMap(({ things }) => told(things));

describe('What counts of a page that somebody is shown', () => {
  it('is the page, its design, its lists, and where they came from', () => {
    expect(told(pageShown({ ...page, designId: 7 }))).toEqual(['page /berths', 'design 7']);
    expect(told(thingsShown({ ...page, designId: 7 }))).toEqual(['list kind:2']);
    expect(told(pageShown(page))).toEqual(['page /berths']);
    expect(told([arrival('club.example')])).toEqual(['arrival club.example']);
  });

  it('is no page for a listing, whose views count by themselves', () => {
    const ofListing = { ...page, listing: { id: 4, kindId: 2 }, designId: 7 };
    expect(told(pageShown(ofListing))).toEqual(['design 7']);
  });

  it('is each facet with each value, and the order if another was chosen', () => {
    const query = {
      ...BLANK_QUERY,
      sort: 'price-up',
      choices: choices({
        type: { kind: 'values', values: ['box', 'buoy'] },
        price: { kind: 'range', least: null, greatest: 40 },
      }),
    };
    expect(told(thingsShown({ ...page, lists: [{ ...berths, query }] }))).toEqual([
      ...['list kind:2', 'facet kind:2 type', 'facet kind:2 type=box', 'facet kind:2 type=buoy'],
      ...['facet kind:2 price', 'sort kind:2 price-up'],
    ]);
  });
});

describe('What counts of a search', () => {
  it('are its words, and that nothing was found', () => {
    expect(searched({ query: { ...BLANK_QUERY, text: ' Crane  hire ' }, state: 'q=Crane' })).toEqual([
      'search kind:2 crane hire',
    ]);
    expect(searched({ query: { ...BLANK_QUERY, text: 'crane' }, state: 'q=crane', isEmpty: true })).toEqual([
      ...['search kind:2 crane', 'missed kind:2 crane'],
    ]);
  });

  it('is a dead end where filters left nothing, with the words in it', () => {
    const query = { ...BLANK_QUERY, text: 'crane', choices: choices({ type: { kind: 'values', values: ['box'] } }) };
    expect(searched({ query, state: 'q=crane&type=box', isEmpty: true })).toEqual([
      ...['search kind:2 crane', 'dead-end kind:2 q=crane&type=box'],
    ]);
  });

  it('is never what may tell of a person, nor a place that somebody typed', () => {
    for (const text of ['ana@example.org', 'call 0151 234 5678', 'born 04.12.1980', 'x'.repeat(61), '  ']) {
      expect(keptSearchWords(text)).withContext(text).toBeNull();
    }
    for (const text of ['berth 12', '32 A', 'sail-maker 2026', 'côté mer']) {
      expect(keptSearchWords(text)).withContext(text).toBe(text.toLowerCase());
    }
    const near = choices({ near: { kind: 'near', at: '41.14,-8.61', metres: 500 } });
    const there = { query: { ...BLANK_QUERY, choices: near }, state: 'near=41.14,-8.61', isEmpty: true };
    expect(searched(there)).toEqual([]);
    const told = { query: { ...BLANK_QUERY, text: 'ana@example.org', choices: near }, state: 'q=ana', isEmpty: true };
    expect(searched(told)).toEqual([]);
  });

  it('in a category says nothing of the whole list, but that the category was a dead end', () => {
    const query = { ...BLANK_QUERY, text: 'crane' };
    expect(searched({ query, state: 'q=crane', isEmpty: true, category: 'box' })).toEqual([
      ...['search kind:2 crane', 'dead-end kind:2 /box?q=crane'],
    ]);
    const person = { ...BLANK_QUERY, text: 'ana@example.org' };
    expect(searched({ query: person, state: 'q=ana', isEmpty: true, category: 'box' })).toEqual([]);
  });
});
