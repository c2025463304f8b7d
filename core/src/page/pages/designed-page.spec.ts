import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import type { PageSketch } from '../../design/index.js';
import { makePage, makeText, slotOfField, standardHome, standardListingPage } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind, LinkedListing } from '../../structure/index.js';
import { choicesFromLabels, makeField, makeSelection } from '../../structure/index.js';
import { SiteWords } from '../../values/index.js';
import type { DesignedPage, PageScene, PieceModelOf } from '../index.js';
import { designedPage, kindsOnPage, pageServing } from '../index.js';

const context = contextIn();
const harbourLink = makeField({
  ...{ key: 'harbour', label: 'Harbour', type: 'link' },
  settings: { link: 1, linked: { kindId: 2, many: false, hasNotes: false } },
});
const berth: Kind = makeKind(
  [
    makeField({
      key: 'does',
      label: 'Does',
      type: 'several-choices',
      settings: { choices: choicesFromLabels(['A', 'B', 'C']) },
    }),
    makeField({ key: 'nearby', label: 'Nearby', type: 'yes-no' }),
    makeField({ key: 'site', label: 'Web page', type: 'web-address' }),
    makeField({
      ...{ key: 'fees', label: 'Fees', type: 'rows' },
      settings: {
        fields: [
          makeField({ key: 'what', label: 'What', type: 'short-text' }),
          makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
          makeField({ key: 'page', label: 'Page', type: 'web-address' }),
        ],
      },
    }),
    harbourLink,
  ],
  { parts: ['picture', 'summary'] },
);
const harbour: Kind = makeKind([makeField({ key: 'motto', label: 'Motto', type: 'short-text' })], {
  ...{ id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' },
});
const kindById = (id: number): Kind | undefined => [berth, harbour].find((kind) => kind.id === id);
const scene: PageScene = {
  site: { name: 'Guide', tagline: 'Where to lie', locale: 'en-GB', zone: 'Europe/Lisbon' },
  now: new Date(context.nowInMs),
  ...{ context, kinds: [], kindById, designs: [] },
};
const linked = (id: number): LinkedListing => ({
  ...{ id, note: '', title: `H ${id}`, slug: `h-${id}`, href: `/harbours/h-${id}`, onSite: true },
});
const berths = [
  makeListing({ id: 1, title: 'One', slug: 'one', values: { does: ['a', 'b'], nearby: true, harbour: [linked(9)] } }),
  makeListing({ id: 2, title: 'Two', slug: 'two', values: { does: ['b'] } }),
  makeListing({ id: 3, title: 'Three', slug: 'three', values: { does: ['a', 'b', 'c'] } }),
  makeListing({ id: 4, title: 'Four', slug: 'four', values: { does: ['c'] } }),
  makeListing({ id: 5, title: 'Hidden', status: 'hidden', values: { does: ['a', 'b'] } }),
];
const quay = makeListing({ id: 9, kindId: 2, title: 'H 9', slug: 'h-9', values: { motto: 'Ever dry' } });
const all = [...berths, quay];
const catalogs = [buildCatalog(berth, berths, 'en-GB'), buildCatalog(harbour, [quay], 'en-GB')];
const catalogOf = (id: number) => catalogs.find(({ kind }) => kind.id === id);
const queries = { context, catalogOf, catalogs: () => catalogs };
const notDear = { id: 4, version: 1, ...makeSelection({ slug: 'some', name: 'Some', kinds: [1], published: true }) };

let asked: (readonly number[])[] = [];
type Pieces = PageSketch['strips'][number]['columns'][number]['pieces'];
const pageOf = (strips: PageSketch['strips'], listing: Listing | null = berths[0]!): Promise<DesignedPage> => {
  asked = [];
  const design = makePage({ name: 'Page', serves: listing ? 'listing' : 'free', strips });
  const listings = (ids: readonly number[]): Promise<Listing[]> => {
    asked.push(ids);
    return Promise.resolve(all.filter(({ id }) => ids.includes(id)));
  };
  const subject = { canonical: '/x', listing, kind: listing && berth, areas: [] };
  return designedPage(scene, design, subject, { queries, selections: [notDear], listings });
};
const piecesOf = (page: DesignedPage) => page.strips.flatMap(({ columns }) => columns.flatMap(({ pieces }) => pieces));
const only = async (pieces: Pieces, listing?: Listing | null) =>
  piecesOf(await pageOf([{ columns: [{ pieces }] }], listing));
const titles = (piece: unknown): string[] => (piece as PieceModelOf<'list'>).cards.map(({ title }) => title);

describe('A designed page', () => {
  it('asks every question once, and reads all listings in one go', async () => {
    const list = { type: 'list', settings: { from: 'kind', of: 1, most: 3 } } as const;
    const far = slotOfField('motto');
    const slots = [{ ...far, text: makeText([{ field: 'motto', through: ['harbour'] }]) }];
    const pieces = await only([list, list, { type: 'text', settings: { slots } }]);
    expect(pieces.map(({ type }) => type)).toEqual(['list', 'list', 'text']);
    expect((pieces[2] as PieceModelOf<'text'>).slots[0]?.value.text).toBe('Ever dry');
    expect(asked.map((ids) => [...ids].sort())).toEqual([[1, 3, 4].sort(), [9]]);
  });

  it('lists a kind, a selection, what is linked, and what is alike: most shared first, then by title', async () => {
    const [kind, selection, link, alike] = await only([
      { type: 'list', settings: { from: 'kind', of: 1, most: 2, heading: makeText(['Berths']), leadsOn: true } },
      { type: 'list', settings: { from: 'selection', of: 4 } },
      { type: 'list', settings: { from: 'linked', fields: ['harbour'] } },
      { type: 'list', settings: { from: 'related', fields: ['does'] } },
    ]);
    expect(titles(kind)).toEqual(['Four', 'One']);
    expect((kind as PieceModelOf<'list'>).all).toEqual({ href: '/berths', total: 4 });
    expect(titles(selection)).toEqual(['Four', 'One', 'Three', 'Two']);
    expect(titles(link)).toEqual(['H 9']);
    expect(titles(alike)).toEqual(['Three', 'Two']);
  });

  it('leads to the listings of each value of a facet', async () => {
    const [shown] = await only([
      { type: 'categories', settings: { of: 1, facet: 'does', heading: makeText(['By use']) } },
    ]);
    const { heading, entries } = shown as PieceModelOf<'categories'>;
    expect(heading).toBe('By use');
    expect(entries.map(({ label, count, href }) => `${label} ${count} ${href}`)).toEqual([
      ...['B 3 /berths?does=b', 'A 2 /berths?does=a', 'C 2 /berths?does=c'],
    ]);
  });

  it('leaves out what has nothing to show, or says so in a sentence', async () => {
    const page = await pageOf([
      { columns: [{ pieces: [{ type: 'gallery', settings: { fields: ['@picture'] } }] }] },
      {
        columns: [
          { pieces: [{ type: 'buttons', settings: { buttons: [{ words: 'Go', address: '', field: 'site' }] } }] },
          { pieces: [{ type: 'specification', settings: { field: 'fees' }, nothing: 'No fees.' }] },
        ],
      },
    ]);
    expect(page.strips.map(({ columns }) => columns.map(({ pieces }) => pieces))).toEqual([
      [[{ type: 'nothing', key: 'strip-2-2-1', sentence: 'No fees.' }]],
    ]);
  });

  it('shows a strip or a piece for those listings only for which its condition holds', async () => {
    const showWhen = { join: 'all', of: [{ field: 'nearby', op: 'is', value: true }] } as const;
    const strips: PageSketch['strips'] = [
      { showWhen, columns: [{ pieces: [{ type: 'divider' }] }] },
      { columns: [{ pieces: [{ type: 'space', showWhen }, { type: 'byline' }, { type: 'breadcrumb' }] }] },
    ];
    const types = async (listing: Listing): Promise<string[]> =>
      piecesOf(await pageOf(strips, listing)).map(({ type }) => type);
    expect(await types(berths[0]!)).toEqual(['divider', 'space', 'breadcrumb']);
    expect(await types(berths[1]!)).toEqual(['breadcrumb']);
  });

  it('shows rows as a table, and as places with what names, pictures and leads', async () => {
    const fees = [
      { what: 'Night', price: { minor: 1200, currency: 'EUR' }, page: 'https://example.org/n' },
      { what: 'Week' },
    ];
    const listing = { ...berths[1]!, values: { fees } };
    const ranked = { field: 'fees', layout: 'ranked', title: 'what', address: 'page', button: 'Book' } as const;
    const [table, places] = await only(
      [
        { type: 'specification', settings: { field: 'fees' } },
        { type: 'specification', settings: ranked },
      ],
      listing,
    );
    expect((table as PieceModelOf<'specification'>).rows.rows).toEqual([
      ['Night', '€12', 'example.org/n'],
      ['Week', '', ''],
    ]);
    expect((places as PieceModelOf<'specification'>).entries).toEqual([
      { title: 'Night', picture: null, href: 'https://example.org/n', facts: [{ label: 'Price', text: '€12' }] },
      { title: 'Week', picture: null, href: null, facts: [] },
    ]);
  });

  it('cleans what was written into it, and shows texts of the listing as text', async () => {
    const [written] = await only([
      { type: 'rich-text', settings: { html: '<p onclick="x">Hi<script>1</script></p>' } },
    ]);
    expect((written as PieceModelOf<'rich-text'>).html).toBe('<p>Hi</p>');
  });

  it('of a kind that nobody designed shows all that a listing has', async () => {
    const design = standardListingPage(berth);
    const subject = { canonical: '/berths/one', listing: berths[0]!, kind: berth, areas: [] };
    const listings = (): Promise<Listing[]> => Promise.resolve([]);
    const page = await designedPage(scene, design, subject, { queries, selections: [], listings });
    expect([page.title, page.canonical]).toEqual(['One – Guide', '/berths/one']);
    const values = piecesOf(page).find(({ type }) => type === 'values') as PieceModelOf<'values'>;
    expect(values.slots.map(({ form, value }) => `${form.label}: ${value.text}`)).toEqual([
      ...['Does: A, B', 'Nearby: Yes', 'Harbour: H 9'],
    ]);
    const home = standardHome(scene.site, [berth], new SiteWords('en-GB'));
    const front = await designedPage(
      scene,
      home,
      { canonical: '/', listing: null, kind: null, areas: [] },
      { queries, selections: [], listings },
    );
    expect([front.title, front.description]).toEqual(['Guide', 'Where to lie']);
  });
});

describe('What a page is made of besides its listing', () => {
  it('are the kinds that its pieces list, and those that its pieces, title and description reach', () => {
    const far = makeText([{ field: 'motto', through: ['harbour'] }]);
    const read = (more: Partial<PageSketch>, pieces: Pieces = []): number[] | null => {
      const design = makePage({ name: 'Page', serves: 'listing', strips: [{ columns: [{ pieces }] }], ...more });
      return kindsOnPage(design, berth, { kindById, designs: [] });
    };
    expect(read({})).toEqual([]);
    expect([read({ title: far }), read({ description: far })]).toEqual([[2], [2]]);
    expect(read({}, [{ type: 'heading', settings: { text: far } }])).toEqual([2]);
    expect(read({}, [{ type: 'list', settings: { from: 'linked', fields: ['harbour'] } }])).toEqual([2]);
    expect(read({}, [{ type: 'list', settings: { from: 'selection', of: 4 } }])).toBeNull();
  });
});

describe('Of the pages that serve listings', () => {
  const page = (name: string, of: readonly object[] | null) => ({
    definition: makePage({ name, serves: 'listing', strips: [], when: of && { join: 'all', of: of as never } }),
  });
  const shown = { listing: berths[0]!, kind: berth, context, kindById, linked: () => undefined, distance: '' };
  const nearby = { field: 'nearby', op: 'is', value: true };
  const named = { field: '@title', op: 'is', value: 'One' };

  it('the one that asks for most and fits serves; of those that ask for as much, the first', () => {
    const pages = [
      page('all', null),
      page('near', [nearby]),
      page('both', [nearby, named]),
      page('same', [named, nearby]),
    ];
    expect(pageServing(pages, shown)?.definition.name).toBe('both');
    expect(pageServing(pages, { ...shown, listing: berths[1]! })?.definition.name).toBe('all');
    expect(pageServing([page('near', [nearby])], { ...shown, listing: berths[1]! })).toBeNull();
  });
});
