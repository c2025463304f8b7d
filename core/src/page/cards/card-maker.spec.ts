import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import type { CardSketch, KeptCard, SlotSketch } from '../../design/index.js';
import { makeCard } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { FieldSketch, Kind, LinkedListing } from '../../structure/index.js';
import { choicesFromLabels, makeField } from '../../structure/index.js';
import type { CardModel } from '../index.js';
import { CardMaker, formOf, readLinked } from '../index.js';

const fieldsOf = (fields: readonly FieldSketch[]) => fields.map(makeField);
const linkTo = (key: string, label: string, kindId: number, many: boolean): FieldSketch => ({
  ...{ key, label, type: 'link' },
  settings: { link: 1, linked: { kindId, many, hasNotes: false } },
});

const harbour = makeKind(
  fieldsOf([
    { key: 'depth', label: 'Depth', type: 'measure', settings: { unit: 'm' } },
    linkTo('berths', 'Berths', 1, true),
  ]),
  { id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' },
);
const berth = makeKind(
  fieldsOf([
    { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
    { key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm', after: 'at most' } },
    { key: 'open', label: 'Open', type: 'date' },
    { key: 'season', label: 'Season', type: 'range', settings: { ends: 'date' } },
    {
      key: 'does',
      label: 'Does',
      type: 'several-choices',
      settings: { choices: choicesFromLabels(['Fuel', 'Water']) },
    },
    { key: 'page', label: 'Page', type: 'web-address' },
    { key: 'stars', label: 'Stars', type: 'rating' },
    {
      ...{ key: 'fees', label: 'Fees', type: 'rows' },
      settings: { fields: [{ key: 'name', label: 'Name', type: 'short-text' }] },
    },
    linkTo('harbour', 'Harbour', 2, false),
  ]),
  { parts: ['picture', 'summary'] },
);
const kindById = (id: number): Kind | undefined => [berth, harbour].find((kind) => kind.id === id);
const context = contextIn();

const linked = (id: number, given: Partial<LinkedListing> = {}): LinkedListing => ({
  ...{ id, note: '', title: `Listing ${id}`, slug: `listing-${id}`, href: `/harbours/listing-${id}`, onSite: true },
  ...given,
});

function designed(kindId: number, sketch: Partial<CardSketch>): KeptCard {
  const heading: SlotSketch[] = [{ key: 'title', text: [{ field: '@title' }] }];
  const definition = makeCard({ name: 'Card', ...sketch, zones: { heading, ...sketch.zones } });
  return { ...{ id: 9, version: 1, type: 'card', kindId, position: 1 }, definition };
}

/** The text that a slot shows of a listing; null where it is empty. */
function shows(
  text: SlotSketch['text'],
  given: Partial<Listing>,
  more: Partial<SlotSketch> & { known?: readonly Listing[] } = {},
): string | null {
  return model(text, given, more)?.text ?? null;
}

function model(
  text: SlotSketch['text'],
  given: Partial<Listing>,
  { known = [], ...more }: Partial<SlotSketch> & { known?: readonly Listing[] } = {},
): CardModel['values'][string] | undefined {
  const design = designed(1, { zones: { body: [{ key: 'it', ...more, text }] } });
  const maker = new CardMaker({ context, kindById, designs: [design] }, (id) => known.find((one) => one.id === id));
  return maker.card(makeListing({ id: 1, ...given }), berth, { distance: '3 km' }).values['it'];
}

describe('A slot of a card', () => {
  it('writes values as their fields do, or in another unit, with other decimals, and in a form of dates', () => {
    const values = { price: { minor: 1250, currency: 'EUR' }, length: { value: 12, unit: 'm' }, open: '2026-12-04' };
    expect(shows([{ field: 'price' }], { values })).toBe('€12.50');
    expect(shows([{ field: 'price', digits: 0 }], { values })).toBe('€13');
    expect(shows([{ field: 'length' }], { values })).toBe('12 m at most');
    // 1 international foot is 0.3048 m (Agreement of 1959): 12 m are 39.37 ft.
    expect(shows([{ field: 'length', unit: 'ft', digits: 1 }], { values })).toBe('39.4 ft at most');
    expect(shows([{ field: 'open' }], { values })).toBe('4 December 2026');
    expect(shows([{ field: 'open', dates: 'weekday' }], { values })).toBe('Friday, 4 December 2026');
    expect(shows([{ field: 'open', dates: 'relative' }], { values })).toBe('in 11 days');
    const season = { from: '2026-12-04', to: '2026-12-06' };
    // Thin spaces stand around the dash.
    expect(shows([{ field: 'season', dates: 'short' }], { values: { season } })).toMatch(/^4\s–\s6 Dec 2026$/);
  });

  it('joins words and values into one line, in which empty ones leave nothing behind', () => {
    const text: SlotSketch['text'] = [
      'From ',
      { field: 'price', after: ' a night' },
      { field: 'length', before: ', up to ' },
    ];
    const price = { minor: 1200, currency: 'EUR' };
    expect(shows(text, { values: { price, length: { value: 9, unit: 'm' } } })).toBe(
      'From €12 a night, up to 9 m at most',
    );
    expect(shows(text, { values: { price } })).toBe('From €12 a night');
    expect(shows(text, { values: {} })).toBeNull();
    expect(shows(text, { values: {} }, { instead: 'Ask us' })).toBe('Ask us');
    expect(shows(['Just words'], { values: {} })).toBe('Just words');
  });

  it('shows the first of several, all of them, or how many there are', () => {
    const values = { does: ['fuel', 'water'], fees: [{ name: 'Dog' }, { name: 'Crane' }] };
    expect(shows([{ field: 'does' }], { values })).toBe('Fuel, Water');
    expect(shows([{ field: 'does', many: 'first' }], { values })).toBe('Fuel');
    expect(shows([{ field: 'does', many: 'count', after: ' things' }], { values })).toBe('2 things');
    expect(shows([{ field: 'fees', inside: 'name' }], { values })).toBe('Dog, Crane');
    expect(shows([{ field: 'fees', many: 'count' }], { values })).toBe('2');
  });

  it('reaches linked listings that visitors may see, one link or two away', () => {
    const quay = makeListing({
      ...{ id: 20, kindId: 2, title: 'Quay', slug: 'quay' },
      values: { depth: { value: 4, unit: 'm' }, berths: [linked(1), linked(2)] },
    });
    const known = [quay, makeListing({ id: 1, title: 'One' }), makeListing({ id: 2, title: 'Two' })];
    const values = { harbour: [linked(20)] };
    expect(shows([{ field: 'depth', through: ['harbour'] }], { values }, { known })).toBe('4 m');
    expect(shows([{ field: '@title', through: ['harbour', 'berths'] }], { values }, { known })).toBe('One, Two');
    expect(shows([{ field: '@title', through: ['harbour', 'berths'], many: 'count' }], { values }, { known })).toBe(
      '2',
    );
    const hidden = { harbour: [linked(20, { onSite: false })] };
    expect(shows([{ field: 'depth', through: ['harbour'] }], { values: hidden }, { known })).toBeNull();
    expect(shows([{ field: 'harbour' }], { values: hidden })).toBeNull();
    const far = model([{ field: '@title', through: ['harbour'] }], { values }, { known, leadsTo: '@value' });
    expect(far).toEqual({ text: 'Quay', shape: 'text', href: '/harbours/quay' });
  });

  it('knows built-in parts, and what the page knows', () => {
    const day = 86_400_000;
    const given: Partial<Listing> = { title: 'T', summary: 'S', shownUntil: context.nowInMs + 2 * day };
    expect(shows([{ field: '@title' }, ': ', { field: '@summary' }], given)).toBe('T: S');
    expect(shows([{ field: '@distance' }], given)).toBe('3 km');
    expect(shows([{ field: '@daysLeft' }], given)).toBe('2 days left');
    expect(shows([{ field: '@daysLeft' }], { shownUntil: context.nowInMs + 1 })).toBe('Last day');
    expect(shows([{ field: '@daysLeft' }], {})).toBeNull();
    expect(shows([{ field: '@featured' }], { featured: true })).toBe('Featured');
    expect(shows([{ field: '@featured' }], {})).toBeNull();
    // The kind has no author.
    expect(shows([{ field: '@author' }], { author: 'Ana' })).toBeNull();
    expect(shows([{ field: '@publishedAt', dates: 'month' }], { publishedAt: Date.UTC(2026, 4, 1, 12) })).toBe(
      'May 2026',
    );
  });

  it('leads where it is told to, and takes the manner of its type', () => {
    const values = { page: 'https://example.org/a', stars: 3.5 };
    expect(model([{ field: 'stars' }], { values }, { form: 'own' })).toEqual(
      jasmine.objectContaining({ shape: 'rating', stars: { given: 3.5, of: 5 } }),
    );
    expect(model([{ field: 'stars' }], { values })?.shape).toBe('text');
    expect(model(['Book'], { values }, { leadsTo: 'page', form: 'button' })?.href).toBe('https://example.org/a');
    expect(model(['Book'], { values: {} }, { leadsTo: 'page', form: 'button' })?.href).toBeUndefined();
    expect(model(['More'], { slug: 'one' }, { leadsTo: '@listing' })?.href).toBe('/berths/one');
    expect(model([{ field: 'page' }], { values }, { leadsTo: '@value' })?.href).toBe('https://example.org/a');
  });

  it('is shown only when its condition holds, over fields and built-in parts', () => {
    const showWhen = { join: 'all', of: [{ field: '@featured', op: 'is', value: true }] } as const;
    expect(shows(['New'], { featured: true }, { showWhen })).toBe('New');
    expect(shows(['New'], {}, { showWhen })).toBeNull();
    const cheap = { join: 'all', of: [{ field: 'price', op: 'below', value: '20' }] } as const;
    expect(shows(['Cheap'], { values: { price: { minor: 1999, currency: 'EUR' } } }, { showWhen: cheap })).toBe(
      'Cheap',
    );
    expect(shows(['Cheap'], { values: { price: { minor: 2000, currency: 'EUR' } } }, { showWhen: cheap })).toBeNull();
  });
});

describe('The cards of a page', () => {
  it('tell once what they have in common, and of each listing only what is there', () => {
    const kind = { ...berth, parts: [] };
    const maker = new CardMaker({ context, kindById: () => kind, designs: [] });
    const card = maker.card(makeListing({ id: 1, title: 'One', values: { stars: 4 } }), kind);
    expect(card.values).toEqual({ title: { text: 'One', shape: 'text' } });
    expect(Object.keys(maker.forms)).toEqual([card.form]);
    const form = maker.forms[card.form]!;
    expect(form.picture.stands).toBe('none');
    expect(form.zones.body.map(({ label, icon }) => `${icon} ${label}`)).toEqual([
      ...['payments Price', 'straighten Length', 'event Open', 'arrow_range Season'],
    ]);
    expect(form.zones.heading.filter(({ isTitle }) => isTitle).map(({ key }) => key)).toEqual(['title']);
  });

  it('name what has no label for those who do not see where it stands', () => {
    const { definition } = designed(1, { zones: { body: [{ key: 'p', label: '', text: [{ field: 'price' }] }] } });
    const [slot] = formOf(definition, berth, { kindById, context: contextIn() }).zones.body;
    expect([slot?.label, slot?.name]).toEqual(['', 'Price']);
  });

  it('take their picture from the field that is chosen, the first of several', () => {
    const kind = makeKind(fieldsOf([{ key: 'views', label: 'Views', type: 'pictures' }]));
    const design = designed(1, { picture: { field: 'views' } });
    const maker = new CardMaker({ context, kindById: () => kind, designs: [design] });
    const [first, second] = ['a', 'b'].map((hash) => ({ hash: hash.repeat(32), width: 3, height: 2, alt: hash }));
    const card = maker.card(makeListing({ id: 1, values: { views: [first, second] } }), kind);
    expect(card.picture).toEqual(first!);
  });

  it('have what they show of linked listings read in one go a step', async () => {
    const design = designed(1, {
      zones: { foot: [{ key: 'b', text: [{ field: '@title', through: ['harbour', 'berths'] }] }] },
    });
    const quay = makeListing({ id: 20, kindId: 2, values: { berths: [linked(1), linked(2), linked(3)] } });
    const kept = [quay, makeListing({ id: 2, title: 'Two' })];
    const asked: (readonly number[])[] = [];
    const read = (ids: readonly number[]): Promise<Listing[]> => {
      asked.push(ids);
      return Promise.resolve(kept.filter(({ id }) => ids.includes(id)));
    };
    const listings = [1, 4].map((id) => makeListing({ id, values: { harbour: [linked(20)] } }));
    const find = await readLinked(listings, { kindById, designs: [design] }, read);
    // What is on the page is not read again, nor the third one, which is gone.
    expect(asked).toEqual([[20], [2, 3]]);
    expect([find(20)?.id, find(2)?.title, find(3)]).toEqual([20, 'Two', undefined]);
  });
});
