import { contextIn, makeKind, makeListing } from '../../testing/builders.js';
import { buildCatalog } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { makeCard, makeForm, makePage } from '../design/index.js';
import { sceneOf } from '../query/index.js';
import { makeFacet, makeField } from '../structure/index.js';
import type { LearnSource, LearnStep, LearnedTable, ThingTimes } from './index.js';
import { learnReport, learnedCsv, tableOfReport } from './index.js';

const TODAY = 20_787;
const DAY_IN_MS = 86_400_000;
const type = makeField({
  ...{ key: 'type', label: 'Type', type: 'one-choice' },
  settings: {
    choices: [
      { key: 'box', label: 'Box' },
      { key: 'buoy', label: 'Buoy' },
    ],
  },
});
const use = makeField({
  ...{ key: 'use', label: 'Use', type: 'categories' },
  settings: { choices: [{ key: 'dry', label: 'Dry berths' }] },
});
const kind = makeKind([type, use], {
  ...{ id: 2, slug: 'berths', one: 'Berth', many: 'Berths', published: true },
  facets: [
    makeFacet({ key: 'type', label: 'Type', field: 'type' }),
    makeFacet({ key: 'letter', label: 'First letter', field: '@title', control: 'letters' }),
  ],
  sortChoices: [{ key: 'a-z', label: 'A to Z', order: [{ by: '@title', direction: 'up' }] }],
});
const catalog = buildCatalog(
  kind,
  [makeListing({ id: 1, kindId: 2, title: 'One' }), makeListing({ id: 2, kindId: 2, title: 'Two' })],
  'en-GB',
);
// The last day of the period begins at midnight UTC and is half over.
const context = { ...contextIn(), nowInMs: (TODAY + 0.5) * DAY_IN_MS };
const thing = (what: ThingTimes['what'], detail: string, now: number, about = 'kind:2', before = 0): ThingTimes => ({
  ...{ what, about, detail, now, before },
});

const NOTHING: LearnSource = {
  period: { now: { from: TODAY - 6, to: TODAY }, before: { from: TODAY - 13, to: TODAY - 7 } },
  ...{ kindId: null, listing: null, firstDay: TODAY - 100 },
  ...{ days: { now: [], before: [] }, listings: [], things: [] },
  ...{ sent: [], leaving: [], kinds: [kind], selections: [], designs: [] },
  listingOf: (id) => ({
    ...{ id, kindId: 2, title: catalog.titleOf(id), isOnSite: id < 3, isFeatured: false, leavesAt: null },
  }),
  kindById: (id) => (id === 2 ? kind : undefined),
  scene: sceneOf(catalog, context),
};
const table = (key: string, source: Partial<LearnSource>): LearnedTable =>
  learnReport({ ...NOTHING, ...source }).tables.find((one) => one.key === key)!;
const cells = (key: string, source: Partial<LearnSource>): unknown[][] =>
  table(key, source).rows.map((row) => [...row.cells]);
const steps = (source: Partial<LearnSource>): readonly LearnStep[] => learnReport({ ...NOTHING, ...source }).steps;
const views = (listingId: number, now: number, before = 0): LearnSource['listings'][number] => ({
  ...{ listingId, kindId: 2, now, before },
});

describe('A report of what visitors did', () => {
  it('says nothing where nothing was counted, and each table says so in words', () => {
    const { tables, steps: none, totals } = learnReport({ ...NOTHING, firstDay: null });
    expect(none).toEqual([]);
    expect(totals.map(({ now, before }) => [now, before])).toEqual(Array(4).fill([0, 0]));
    const empty = tables.filter(({ rows }) => rows.length === 0);
    expect(empty.every((one) => one.empty !== '')).toBeTrue();
    expect(tables.filter(({ rows }) => rows.length > 0).map(({ key }) => key)).toEqual([
      ...['facets', 'facet-values', 'sorts'],
    ]);
  });

  it('adds up the views of each day beside those of the day that it is compared with', () => {
    const days = {
      now: [
        { day: TODAY, kindId: 2, views: 3 },
        { day: TODAY, kindId: 9, views: 1 },
        { day: TODAY - 6, kindId: 2, views: 2 },
      ],
      before: [{ day: TODAY - 13, kindId: 2, views: 5 }],
    };
    const told = cells('views-over-time', { days });
    expect(told).toHaveSize(7);
    expect([told[0], told[6]]).toEqual([
      [TODAY - 6, 2, 5],
      [TODAY, 4, 0],
    ]);
    expect(cells('views-over-time', { days, kindId: 2 })[6]).toEqual([TODAY, 3, 0]);
    expect(cells('views-by-kind', { days })).toEqual([
      ['Berths', 5, 5],
      ['A kind that is gone', 1, 0],
    ]);
  });

  it('tells months that were kept whole by the months', () => {
    // 2026-11-30 is day 20,787; the month before it began on day 20,727.
    const period = { now: { from: 20_393, to: 20_757 }, before: { from: 20_028, to: 20_392 } };
    const days = { now: [{ day: 20_727, kindId: 2, views: 4 }], before: [{ day: 20_362, kindId: 2, views: 9 }] };
    const told = cells('views-over-time', { period, days });
    expect(told).toHaveSize(12);
    expect(told[11]).toEqual([20_727, 4, 9]);
  });

  it('tells how often pages with each design were shown, with what it is and where it is changed', () => {
    const listed = { type: 'list', settings: { from: 'kind', of: 2 } } as const;
    const designs: Design[] = [
      { id: 4, version: 1, type: 'card', kindId: 2, position: 1, definition: makeCard({ name: 'Main' }) },
      { id: 5, version: 1, type: 'form', kindId: 2, position: 1, definition: makeForm({ name: 'Send in', steps: [] }) },
      {
        ...{ id: 6, version: 1, type: 'page', kindId: null, position: 1 },
        definition: makePage({ name: 'Home', serves: 'home', strips: [{ columns: [{ pieces: [listed] }] }] }),
      },
    ];
    const things = [thing('design', '', 9, '6', 2)];
    const { rows } = table('designs', { designs, things });
    expect(rows.map((row) => [...row.cells])).toEqual([
      ['Home', 'Page', '', 'home page', 9, 2],
      ['Main', 'Card', 'Berths', 'Berths, Home', 9, 2],
      ['Send in', 'Form', 'Berths', 'nothing', 0, 0],
    ]);
    expect(rows.map(({ link }) => link?.path)).toEqual(['/arrange/pages/6', '/arrange/2/cards/4', '/arrange/forms/5']);
    expect(table('designs', { designs, things, kindId: 2 }).rows).toHaveSize(2);
  });

  it('tells the most viewed, and what rises: ten more, and half as many again', () => {
    const listings = [views(1, 30, 20), views(2, 15, 6), views(7, 90)];
    expect(cells('most-viewed', { listings })).toEqual([
      ['A listing that is gone', 'Berth', 90, 0],
      ['One', 'Berth', 30, 20],
      ['Two', 'Berth', 15, 6],
    ]);
    // One has ten more and exactly half as many again; two lacks one view.
    expect(cells('rising', { listings })).toEqual([['One', 'Berth', 30, 20, 10]]);
    expect(steps({ listings }).map(({ sentence }) => sentence)).toEqual([
      '“One” was looked at 30 times, up from 20 before.',
    ]);
    const unknown = table('rising', { listings, firstDay: TODAY - 10 });
    expect([unknown.rows, unknown.empty]).toEqual([[], jasmine.stringContaining('can’t tell what rises')]);
  });

  it('offers to let what leaves soon stay longer; who leaves at midnight is there until the day before', () => {
    const leaving = [{ ...NOTHING.listingOf(2, 2), leavesAt: (TODAY + 4) * DAY_IN_MS }];
    const listings = [views(1, 30), views(2, 12)];
    expect(cells('leaving-soon', { leaving, listings })).toEqual([['Two', 'Berth', 12, TODAY + 3]]);
    const [step] = steps({ leaving, listings, firstDay: TODAY });
    expect(step?.sentence).toBe('“Two” leaves in 3 days and was looked at 12 times.');
    expect(step?.acts).toEqual([{ do: 'keep-longer', listingId: 2, title: 'Two' }]);
    const [first] = steps({ leaving, listings: [views(2, 12)], firstDay: TODAY });
    expect(first?.sentence).toBe('“Two” leaves in 3 days and is your most viewed berth.');
  });

  it('tells facets, values and orders with those that nobody used, and offers to take these off', () => {
    const things = [
      ...[thing('list', '', 60), thing('facet', 'type', 12, 'kind:2', 3), thing('facet', 'type=box', 12)],
      ...[thing('facet', 'type=gone', 0, 'kind:2', 1), thing('sort', 'match', 2)],
    ];
    expect(cells('facets', { things })).toEqual([
      ['Type', 'Berths', 12, 0.2, 3],
      ['First letter', 'Berths', 0, 0, 0],
    ]);
    expect(cells('facet-values', { things })).toEqual([
      ['Box', 'Type', 'Berths', 12, 0],
      ['Buoy', 'Type', 'Berths', 0, 0],
      ['gone', 'Type', 'Berths', 0, 1],
    ]);
    expect(cells('sorts', { things })).toEqual([
      ['Best match', 'Berths', 2, 2 / 60, 0],
      ['A to Z', 'Berths', 0, 0, 0],
    ]);
    expect(steps({ things })).toEqual([
      {
        sentence: 'Nobody used the facet “First letter” in 60 visits to Berths.',
        acts: [{ do: 'take-off-facet', kindId: 2, key: 'letter', label: 'First letter' }],
      },
      {
        sentence: 'Nobody used the sort choice “A to Z” in 60 visits to Berths.',
        acts: [{ do: 'take-off-sort', kindId: 2, key: 'a-z', label: 'A to Z' }],
      },
    ]);
    const few = [thing('list', '', 49)];
    expect(steps({ things: few })).toEqual([]);
  });

  it('tells searches, those that found nothing, and where filters left nothing', () => {
    const things = [
      ...[thing('search', 'crane', 12), thing('missed', 'crane', 12), thing('search', 'box', 20)],
      ...[thing('dead-end', 'type=buoy&q=x', 3), thing('missed', 'of a list that is gone', 9, 'kind:77')],
      thing('missed', 'oak', 0, 'kind:2', 4),
    ];
    expect(cells('searches', { things })).toEqual([
      ['box', 'Berths', 20, 0],
      ['crane', 'Berths', 12, 0],
    ]);
    expect(cells('missed', { things })).toEqual([['crane', 'Berths', 12, 0]]);
    expect(cells('dead-ends', { things })).toEqual([['“x”; Type: Buoy', 'Berths', 3, 0]]);
    const [missed, end] = steps({ things });
    expect(missed?.sentence).toBe('12 people searched Berths for “crane” and found nothing.');
    expect(missed?.acts).toEqual([
      { do: 'add-word', kindId: 2, words: 'crane' },
      { do: 'go', on: 'site', path: '/berths?q=crane', words: 'See what they saw' },
    ]);
    expect(end?.sentence).toBe('3 people found nothing in Berths with “x”; Type: Buoy.');
    expect(end?.acts[0]).toEqual({
      ...{ do: 'go', on: 'site', path: '/berths?type=buoy&q=x', words: 'See what they saw' },
    });
  });

  it('has the first thousand rows of a table, and the table by itself all of them', () => {
    const things = Array.from({ length: 1200 }, (_, at) => thing('search', `word ${at}`, 2000 - at));
    const { rows, total } = table('searches', { things });
    expect([rows.length, total]).toEqual([1000, 1200]);
    const whole = tableOfReport({ ...NOTHING, things }, 'searches');
    expect([whole?.rows.length, whole?.total, whole?.rows[1199]?.cells[0]]).toEqual([1200, 1200, 'word 1199']);
    expect(tableOfReport(NOTHING, 'nothing')).toBeUndefined();
  });

  it('tells a dead end on the page of a category with its name, and links to it', () => {
    const things = [thing('dead-end', '/dry?type=buoy&q=x', 3), thing('dead-end', '/gone?q=y', 1)];
    const { rows } = table('dead-ends', { things });
    expect(rows.map((row) => row.cells[0])).toEqual(['Dry berths; “x”; Type: Buoy', 'gone; “y”']);
    expect(rows.map(({ link }) => link?.path)).toEqual(['/berths/dry?type=buoy&q=x', '/berths/gone?q=y']);
  });

  it('tells pages, all listings of a kind as one, and where people come from', () => {
    const things = [thing('page', '', 9, '/'), thing('arrival', '', 4, ''), thing('arrival', '', 6, 'club.example')];
    const days = { now: [{ day: TODAY, kindId: 2, views: 30 }], before: [] };
    expect(cells('pages', { things, days })).toEqual([
      ['/berths/…', 30, 0],
      ['/', 9, 0],
    ]);
    expect(cells('arrivals', { things })).toEqual([
      ['club.example', 6, 0],
      ['No site, or not told', 4, 0],
    ]);
  });

  it('tells how long senders waited: the middle one, the longest, and the oldest that still waits', () => {
    const at = (days: number): number => context.nowInMs - days * DAY_IN_MS;
    const decided = (from: number, to: number): LearnSource['sent'][number] => ({
      ...{ kindId: 2, state: 'accepted', createdAt: at(from), decidedAt: at(to) },
    });
    const waiting = { kindId: 2, state: 'waiting', createdAt: at(4), decidedAt: null } as const;
    const sent = [decided(6, 5), decided(5, 3), decided(6, 1), decided(40, 39), waiting];
    expect(cells('waiting', { sent })).toEqual([['Berths', 3, 2, 5, 1, 4]]);
    expect(steps({ sent })).toEqual([
      {
        sentence: 'One submission has waited for more than three days.',
        acts: [{ do: 'go', on: 'desk', path: '/run/review', words: 'Review what came in' }],
      },
    ]);
    const came = cells('incoming', { sent });
    expect(came.map(([, count]) => count)).toEqual([2, 1, 1, 0, 0, 0, 0]);
  });

  it('is written as CSV: numbers with a point, days by ISO 8601, and no cell that a spreadsheet would run', () => {
    const things = [thing('list', '', 8), thing('facet', 'type', 1), thing('search', '=1+1', 2)];
    expect(learnedCsv(table('facets', { things })).split('\r\n').slice(0, 2)).toEqual([
      ...['Facet,List,Used,Of visits to the list,Before', 'Type,Berths,1,0.125,0'],
    ]);
    expect(learnedCsv(table('searches', { things })).split('\r\n')[1]).toBe("'=1+1,Berths,2,0");
    const days = { now: [{ day: TODAY, kindId: 2, views: 3 }], before: [] };
    expect(learnedCsv(table('views-over-time', { days })).split('\r\n')[7]).toBe('2026-11-30,3,0');
  });
});
