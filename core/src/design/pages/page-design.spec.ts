import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Kind } from '../../structure/index.js';
import { SiteWords } from '../../values/index.js';
import { makeField, makeSelection } from '../../structure/index.js';
import type { KeptPage, PageCheckScene, PageDesign, PageSketch } from '../index.js';
import {
  ALWAYS_SHOWN,
  PIECE_TYPES,
  checkPage,
  designWithKeyRenamed,
  fieldsOfDesign,
  makePage,
  makeText,
  pieceTypeOf,
  piecesOfPage,
  readPage,
  slotOfField,
  standardHome,
  standardListingPage,
  usesOfMainCard,
  withPageNumbers,
} from '../index.js';
import type { PieceTypeName } from '../index.js';

const berth: Kind = makeKind([
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'nearby', label: 'Nearby', type: 'yes-no' }),
  makeField({ key: 'about', label: 'About', type: 'long-text' }),
  makeField({ key: 'views', label: 'Views', type: 'pictures' }),
  makeField({ key: 'site', label: 'Web page', type: 'web-address' }),
  makeField({
    ...{ key: 'tariff', label: 'Tariff', type: 'rows' },
    settings: { fields: [makeField({ key: 'season', label: 'Season', type: 'short-text' })] },
  }),
  makeField({
    ...{ key: 'harbour', label: 'Harbour', type: 'link' },
    settings: { link: 1, linked: { kindId: 1, many: false, hasNotes: false } },
  }),
]);
const kindById = (id: number): Kind | undefined => (id === 1 ? berth : undefined);
const scene: PageCheckScene = {
  ...{
    kind: berth,
    kindById,
    context: contextIn(),
    isSelection: (id) => id === 7,
    partOf: () => undefined,
    formOf: () => undefined,
  },
  isTaken: (address) => address === 'taken',
};
const page = (pieces: PageSketch['strips'][number]['columns'][number]['pieces'], more: Partial<PageSketch> = {}) =>
  makePage({ name: 'Page', serves: 'listing', ...more, strips: [{ name: 'Strip', columns: [{ pieces }] }] });
const reasons = (design: PageDesign, own: Partial<PageCheckScene> = {}): string[] =>
  checkPage(design, { ...scene, ...own }).map(({ message }) => message);

describe('Checking a page', () => {
  it('lets through the pages that a site has by itself', () => {
    expect(reasons(standardListingPage(berth))).toEqual([]);
    const home = standardHome({ name: 'Guide', tagline: 'Where to lie' }, [berth], new SiteWords('en-GB'));
    expect(reasons(home, { kind: null })).toEqual([]);
    expect(reasons(standardHome({ name: 'Guide', tagline: '' }, [], new SiteWords('en-GB')), { kind: null })).toEqual(
      [],
    );
  });

  it('names strip, piece and reason of everything that is wrong', () => {
    const slots = [slotOfField('gone')];
    const wrong = page([
      { type: 'text', settings: { slots } },
      { type: 'heading', settings: { text: makeText(['x']), leadsTo: 'javascript:x' } },
      { type: 'gallery', settings: { fields: ['price'] } },
      { type: 'rich-text', settings: { field: 'price' } },
      { type: 'picture' },
      { type: 'specification', settings: { field: 'tariff', layout: 'ranked', title: 'name' } },
      { type: 'list', settings: { from: 'selection', of: 8 } },
      { type: 'list', settings: { from: 'linked', fields: ['price'], layout: 'table' } },
      { type: 'buttons', settings: { buttons: [{ words: 'Go', address: 'javascript:x', field: '' }] } },
      { type: 'categories', settings: { of: 1, facet: 'gone' } },
      { type: 'divider', showWhen: { join: 'all', of: [{ field: 'gone', op: 'is', value: 1 }] } },
    ]);
    expect(reasons(wrong)).toEqual([
      'Strip, Text with values: there is no field “gone” any more.',
      'Strip, Heading: it leads to “javascript:x”; give an address as /about or https://…',
      'Strip, Gallery: there is no field of pictures “price” any more.',
      'Strip, Rich text: there is no field of longer texts “price” any more.',
      'Strip, Picture: no picture is chosen.',
      'Strip, Specification: Tariff has nothing inside called “name”.',
      'Strip, Listings: its selection is not there any more.',
      'Strip, Listings: a table needs columns.',
      'Strip, Listings: there is no link “price” any more.',
      'Strip, Buttons: “Go” leads nowhere: give an address as /about or https://…',
      'Strip, Categories: Berths have no facet “gone” any more.',
      'Strip, Divider: condition 1: the field “gone” is not there any more.',
    ]);
  });

  it('keeps pieces that need a listing, and conditions over one, off pages that have none', () => {
    const nothing = 'it shows something of a listing, and this page has none.';
    const free = page([{ type: 'gallery', settings: { fields: ['views'] } }, { type: 'breadcrumb' }], {
      ...{ serves: 'free', address: 'about', when: { join: 'all', of: [] } },
    });
    expect(reasons(free, { kind: null })).toEqual([
      'Serves: it asks for something of a listing, and this page has none.',
      `Strip, Gallery: ${nothing}`,
      `Strip, Way back: ${nothing}`,
    ]);
  });

  it('wants an address of its own for a page that stands by itself, and none for others', () => {
    const at = (address: string, serves: 'free' | 'home' = 'free'): string[] =>
      reasons(makePage({ name: 'Page', serves, address, strips: [] }), { kind: null });
    expect(at('about/us')).toEqual([]);
    expect(at('About us')).toEqual(['An address may hold small letters, digits and hyphens; “About us” does not fit.']);
    expect(at('taken')).toEqual(['The address “/taken” is already in use. Choose another.']);
    expect(at('api/x')).toEqual(['The address “/api/x” is already in use. Choose another.']);
    expect(at('about', 'home')).toEqual(['Address: only a page that stands by itself has one.']);
  });
});

describe('Reading a page', () => {
  it('gives back what was written, with defaults for what is left out', () => {
    const design = standardListingPage(berth);
    const read = readPage(JSON.parse(JSON.stringify(design)));
    expect(read.ok && read.value).toEqual(design);
    const short = readPage({
      name: 'x',
      strips: [{ key: 's', columns: [{ key: 'c', pieces: [{ key: 'p', type: 'space' }] }] }],
    });
    expect(short.ok && piecesOfPage(short.value)).toEqual([
      { key: 'p', type: 'space', ...ALWAYS_SHOWN, nothing: '', settings: { size: 'normal' } },
    ]);
  });

  it('names the place of what cannot be', () => {
    const told = (input: unknown): string => {
      const read = readPage(input);
      return read.ok ? '' : read.issue.message;
    };
    const piece = (given: object): object => ({ strips: [{ columns: [{ pieces: [given] }] }] });
    const place = 'page.strips.1.columns.1.pieces.1';
    expect(told(null)).toBe('The design cannot be read: page must be an object.');
    expect(told({ serves: 'poster' })).toContain('page.serves must be one of home, free, index, category, listing');
    expect(told(piece({ type: 'clock' }))).toContain(`${place}.type must be the name of a sort of piece`);
    expect(told(piece({ type: 'space', settings: { size: 'huge' } }))).toContain(
      `${place}.settings.size must be one of`,
    );
    expect(told(piece({ type: 'space', settings: { tall: 1 } }))).toContain(`${place}.settings.tall must be left out`);
    expect(told(piece({ type: 'list', settings: { most: 1000 } }))).toContain(
      'settings.most must be a number from 1 to 100',
    );
    const text = { type: 'heading', settings: { text: [{ field: 'x', digits: 9 }] } };
    expect(told(piece(text))).toContain(`${place}.settings.text.1.digits must be a number from 0 to 6`);
    expect(told(piece({ type: 'picture', settings: { picture: { hash: 'x' } } }))).toContain(
      'settings.picture must be a picture',
    );
  });

  it('knows every sort of piece by its name and says what it is for', () => {
    for (const name of Object.keys(PIECE_TYPES) as PieceTypeName[]) {
      const { label, purpose, form } = pieceTypeOf(name);
      expect([label, purpose].every((text) => text.length > 2))
        .withContext(name)
        .toBeTrue();
      for (const { byDefault, read } of Object.values(form)) expect(read(byDefault, name)).toEqual(byDefault);
    }
  });
});

describe('What a page uses', () => {
  const design: KeptPage = {
    ...{ id: 1, version: 1, type: 'page', kindId: 1, position: 1 },
    definition: page(
      [
        { type: 'heading', settings: { text: makeText([{ field: '@title' }, ' for ', { field: 'price' }]) } },
        { type: 'rich-text', settings: { field: 'about' } },
        { type: 'gallery', settings: { fields: ['views'] } },
        { type: 'list', settings: { from: 'linked', fields: ['harbour'] } },
        { type: 'buttons', settings: { buttons: [{ words: 'Book', address: '', field: 'site' }] } },
        { type: 'specification', settings: { field: 'tariff' } },
        { type: 'text', settings: { slots: [slotOfField('price', { leadsTo: 'site' })] } },
      ],
      { when: { join: 'all', of: [{ field: 'nearby', op: 'is', value: true }] } },
    ),
  };

  it('are the fields of its pieces, their slots and its conditions', () => {
    const used = fieldsOfDesign(design, kindById).map(({ field }) => field);
    expect(used.sort()).toEqual(['@title', 'about', 'harbour', 'nearby', 'price', 'site', 'tariff', 'views']);
  });

  it('follow a field that gets another key, wherever it stands', () => {
    for (const key of ['about', 'harbour', 'nearby', 'price', 'site', 'tariff', 'views']) {
      const renamed = designWithKeyRenamed(design, { kindId: 1, from: key, to: `${key}_new` }, kindById);
      const used = fieldsOfDesign(renamed, kindById).map(({ field }) => field);
      expect(used).withContext(key).toContain(`${key}_new`);
      expect(used).withContext(key).not.toContain(key);
    }
  });

  it('name kinds and selections by other numbers on another site', () => {
    const lists = page([
      { type: 'list', settings: { from: 'kind', of: 1 } },
      { type: 'list', settings: { from: 'selection', of: 1 } },
      { type: 'list', settings: { from: 'linked', of: 1 } },
      { type: 'part', settings: { of: 1 } },
    ]);
    const moved = withPageNumbers(lists, {
      kind: (id) => id + 10,
      selection: (id) => id + 20,
      part: (id) => id + 30,
      form: (id) => id + 40,
    });
    const numbers = piecesOfPage(moved).map((piece) => 'of' in piece.settings && piece.settings.of);
    expect(numbers).toEqual([11, 21, 1, 31]);
  });

  it('tell where the card of a kind is seen', () => {
    const page = (serves: 'home' | 'free' | 'listing', settings: object): KeptPage => ({
      ...{ id: 2, version: 1, type: 'page', position: 1, kindId: serves === 'listing' ? 1 : null },
      definition: makePage({
        ...{ name: `The ${serves} page`, serves, address: serves === 'free' ? 'more' : '' },
        strips: [{ columns: [{ pieces: [{ type: 'list', settings }] }] }],
      }),
    });
    const chosen = { id: 7, version: 1, ...makeSelection({ slug: 'some', name: 'Some', kinds: [1], published: true }) };
    const uses = (designs: readonly KeptPage[]): string[] =>
      usesOfMainCard(berth, designs, [chosen], kindById).map(({ label, href }) => `${label} ${href}`);
    expect(uses([])).toEqual(['Berths /berths', 'Home page /', 'Some /lists/some']);
    expect(uses([page('home', { from: 'kind', of: 2 })])).toEqual(['Berths /berths', 'Some /lists/some']);
    const all = [
      page('home', { from: 'selection', of: 7 }),
      page('free', { from: 'kind', of: 1 }),
      page('listing', { from: 'linked', fields: ['harbour'] }),
    ];
    expect(uses(all)).toEqual([
      ...['Berths /berths', 'The home page /', 'The free page /more', 'The listing page /berths', 'Some /lists/some'],
    ]);
  });
});
