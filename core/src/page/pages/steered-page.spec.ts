import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { piecesOn } from '../../../testing/list-on-page.js';
import { buildCatalog } from '../../catalog/index.js';
import type { PageSketch } from '../../design/index.js';
import { makePage, slotOfField } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import { makeFacet, makeField } from '../../structure/index.js';
import type { CardModel, DesignedPage, HeldCards, PageScene, PieceModel, PieceModelOf } from '../index.js';
import { addressOfAreas, areasOfPage, designedPage, sleepingPage } from '../index.js';

const context = contextIn();
const price = makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } });
const kindOf = (id: number, slug: string, many: string): Kind =>
  makeKind([price], {
    ...{ id, slug, many, one: many.slice(0, -1), pageSize: 2, parts: ['place'] },
    facets: [makeFacet({ key: 'price', label: 'Price', field: 'price', control: 'range' })],
    sortChoices: [
      { key: 'price-up', label: 'Cheapest', order: [{ by: 'field:price', direction: 'up' }] },
      { key: 'price-down', label: 'Dearest', order: [{ by: 'field:price', direction: 'down' }] },
    ],
  });
const [berths, yards] = [kindOf(1, 'berths', 'Berths'), kindOf(2, 'yards', 'Yards')];
const kinds = [berths, yards];
const kindById = (id: number): Kind | undefined => kinds.find((kind) => kind.id === id);
const listings = kinds.flatMap(({ id: kindId, one }) =>
  [1, 2, 3, 4].map((at) => {
    const place = at === 4 ? null : { latitude: at, longitude: at, address: '' };
    const id = kindId * 10 + at;
    return makeListing({
      ...{ id, kindId, title: `${one} ${at}`, slug: `n-${id}`, place },
      values: { price: { minor: at * 100, currency: 'EUR' } },
    });
  }),
);
const catalogs = kinds.map((kind) =>
  buildCatalog(
    kind,
    listings.filter(({ kindId }) => kindId === kind.id),
    'en-GB',
  ),
);
const queries = {
  ...{ context, catalogOf: (id: number) => catalogs.find(({ kind }) => kind.id === id), catalogs: () => catalogs },
};
const scene: PageScene = {
  site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' },
  now: new Date(context.nowInMs),
  ...{ context, kinds: [], kindById, designs: [] },
};

type Pieces = PageSketch['strips'][number]['columns'][number]['pieces'];
const BOTH: Pieces = [
  { type: 'list', settings: { from: 'kind', of: 1, steered: true, most: 2 } },
  { type: 'list', settings: { from: 'kind', of: 2, steered: true, name: 'yards', most: 2 } },
  { type: 'search', settings: { area: 'yards' } },
  { type: 'pager', settings: { area: 'yards' } },
  { type: 'pager' },
  { type: 'chips' },
  { type: 'count', settings: { area: 'yards' } },
  { type: 'map', settings: { area: 'yards' } },
];

let read: number[] = [];
async function shown(search: string, pieces: Pieces = BOTH, cards?: HeldCards): Promise<DesignedPage> {
  read = [];
  const design = makePage({ name: 'Both', serves: 'free', address: 'both', strips: [{ columns: [{ pieces }] }] });
  const source = {
    ...{ queries, selections: [], ...(cards && { cards }) },
    listings: (ids: readonly number[]): Promise<Listing[]> => {
      read.push(...ids);
      return Promise.resolve(listings.filter(({ id }) => ids.includes(id)));
    },
  };
  const areas = areasOfPage(design, { path: '/both', search, own: null }, source);
  const canonical = addressOfAreas('/both', areas, kindById);
  return designedPage(scene, design, { canonical, listing: null, kind: null, areas }, source);
}
const all = <Type extends PieceModel['type']>(page: DesignedPage, type: Type): PieceModelOf<Type>[] =>
  piecesOn(page).filter((piece): piece is PieceModelOf<Type> => piece.type === type);
const titles = (page: DesignedPage): string[][] =>
  all(page, 'list').map(({ cards }) => cards.map(({ title }) => title));

describe('A page with two lists that visitors steer', () => {
  it('has parts of the address for each, which leave the other as it is', async () => {
    const page = await shown('price=2..&yards.page=2&yards.sort=price-down&x=1');
    expect(titles(page)).toEqual([
      ['Berth 2', 'Berth 3'],
      ['Yard 2', 'Yard 1'],
    ]);
    expect(page.canonical).toBe('/both?price=2..&yards.sort=price-down&yards.page=2');
    const [ofYards, ofBerths] = all(page, 'pager').map(({ pager }) => [pager.previous, pager.next]);
    expect(ofYards).toEqual(['/both?price=2..&yards.sort=price-down', null]);
    expect(ofBerths).toEqual([null, '/both?price=2..&page=2&yards.sort=price-down&yards.page=2']);
    expect(all(page, 'chips')[0]?.chips.map(({ href }) => href)).toEqual(['/both?yards.sort=price-down&yards.page=2']);
    expect(all(page, 'count')[0]?.sentence).toBe('4 yards');
    expect(all(page, 'search')[0]).toEqual(jasmine.objectContaining({ form: 'find-yards', name: 'yards.q' }));
  });

  it('tells each form what the address says of the other', async () => {
    const { areas } = await shown('price=2..&yards.q=yard');
    expect(areas.map(({ form, path, others, sort }) => [form, path, others, sort])).toEqual([
      ['find', '/both', [['yards.q', 'yard']], { name: 'sort', byItself: 'picked' }],
      ['find-yards', '/both', [['price', '2..']], { name: 'yards.sort', byItself: 'match' }],
    ]);
  });

  it('shows on a map what is found and has a place, in whichever part of it', async () => {
    const page = await shown('yards.map=0,0,1.5,1.5');
    const [map] = all(page, 'map');
    expect([map?.total, map?.box, map?.points.map(({ id }) => id)]).toEqual([3, '0,0,1.5,1.5', [21, 22, 23]]);
    expect(titles(page)[1]).toEqual(['Yard 1']);
  });

  it('says why nothing stands there', async () => {
    const why = async (search: string): Promise<string | undefined> =>
      all(await shown(search), 'list')[0]?.state?.empty?.why;
    expect(await Promise.all(['', 'q=nothing', 'page=9'].map(why))).toEqual([undefined, 'no-match', 'past-end']);
  });
});

describe('The heads of a table', () => {
  it('lead to the orders that visitors can choose, and tell which one holds', async () => {
    const columns = [slotOfField('@title'), slotOfField('price')];
    const table: Pieces = [
      { type: 'list', settings: { from: 'kind', of: 1, steered: true, layout: 'table', columns } },
    ];
    const headsAt = async (search: string): Promise<unknown[]> => {
      const heads = all(await shown(search, table), 'list')[0]!.state!.heads;
      return Object.values(heads).map(({ href, order }) => [href, order]);
    };
    const none = [null, null];
    expect(await headsAt('')).toEqual([none, ['/both?sort=price-up', null]]);
    expect(await headsAt('sort=price-up&page=2')).toEqual([none, ['/both?sort=price-down', 'ascending']]);
    expect(await headsAt('sort=price-down')).toEqual([none, ['/both?sort=price-up', 'descending']]);
  });
});

describe('Cards that still hold', () => {
  it('are neither read nor made anew, but where a search marks them', async () => {
    const kept = new Map<number, { card: CardModel; kind: Kind }>();
    const cards: HeldCards = {
      get: (id) => kept.get(id),
      keep: (card, { id }, kind) => void kept.set(id, { card, kind }),
    };
    const first = await shown('', BOTH, cards);
    expect([read.length, kept.size]).toEqual([4, 4]);
    const again = await shown('', BOTH, cards);
    expect([read, again.strips]).toEqual([[], first.strips]);
    expect(again.cardForms).toEqual(first.cardForms);
    const searched = await shown('q=berth', BOTH, cards);
    expect(read).toEqual([11, 12]);
    const marks = all(searched, 'list')[0]?.cards[0]?.values['title']?.marks;
    expect([marks?.length, kept.get(11)?.card.values['title']?.marks]).toEqual([1, undefined]);
  });

  it('have one print as long as they say the same, and go asleep with no more than that', async () => {
    const [one, same, other] = [await shown(''), await shown(''), await shown('q=berth')];
    const prints = (page: DesignedPage): string[] => all(page, 'list')[0]!.cards.map(({ print }) => print);
    expect(prints(same)).toEqual(prints(one));
    expect(prints(other)).not.toEqual(prints(one));
    const asleep = sleepingPage(one) as DesignedPage;
    expect(prints(asleep)).toEqual(prints(one));
    expect(all(asleep, 'list')[0]!.cards[0]).toEqual(jasmine.objectContaining({ title: '', values: {} }));
  });
});
