import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { piecesOn } from '../../../testing/list-on-page.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeCard, makePage, makeText, standardShortlist } from '../../design/index.js';
import type { Design } from '../../design/index.js';
import type { Kind } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import { SiteWords } from '../../values/index.js';
import type { ChosenListings, DesignedPage, PageScene, PieceModel, PieceModelOf } from '../index.js';
import { cardsOf, chosenAt, pageAt, shortlistAddress } from '../index.js';

const context = contextIn();
const length = makeField({ key: 'length', label: 'Length', type: 'decimal', settings: { unit: 'm' } });
const price = makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } });
const note = makeField({ key: 'note', label: 'Note', type: 'short-text' });
const berths = makeKind([length, price, note], { id: 1, slug: 'berths', one: 'Berth', many: 'Berths' });
const yards = makeKind([], { id: 2, slug: 'yards', one: 'Yard', many: 'Yards' });
const kindById = (id: number): Kind | undefined => [berths, yards].find((kind) => kind.id === id);
const euro = (minor: number) => ({ minor, currency: 'EUR' });
const listings = [
  makeListing({ id: 1, title: 'One', slug: 'one', values: { length: 1.8288, price: euro(900) } }),
  makeListing({ id: 2, title: 'Two', slug: 'two', values: { length: 2, price: euro(900) } }),
  makeListing({ id: 3, title: 'Three', slug: 'three', values: { length: 2, price: euro(900) } }),
  makeListing({ id: 4, title: 'Hidden', slug: 'four', status: 'hidden' }),
  makeListing({ id: 5, kindId: 2, title: 'Yard', slug: 'yard' }),
];
const catalogs = [berths, yards].map((kind) =>
  buildCatalog(
    kind,
    listings.filter(({ kindId }) => kindId === kind.id),
    'en-GB',
  ),
);
const card: Design = {
  ...{ id: 7, version: 1, type: 'card', kindId: 1, position: 1 },
  definition: makeCard({
    name: 'Card',
    canBeKept: true,
    zones: { body: [{ key: 'length', text: [{ field: 'length', digits: 1 }] }] },
  }),
};
const scene: PageScene = {
  site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' },
  now: new Date(context.nowInMs),
  ...{ context, kinds: [], kindById, designs: [card] },
};
const source = {
  queries: { context, catalogOf: (id: number) => catalogs[id - 1], catalogs: () => catalogs },
  selections: [],
  listings: (ids: readonly number[]) =>
    Promise.resolve(ids.flatMap((id) => listings.find((listing) => listing.id === id) ?? [])),
};
const words = new SiteWords('en-GB');
const at = (chosen: ChosenListings, page = standardShortlist(words)): Promise<DesignedPage> =>
  pageAt(scene, page, { path: '/shortlist', search: '', own: null }, { listing: null, kind: null, chosen }, source);
const pieceOf = async <Type extends PieceModel['type']>(page: Promise<DesignedPage>, type: Type) =>
  piecesOn(await page).find((piece): piece is PieceModelOf<Type> => piece.type === type);

describe('What a visitor chose', () => {
  it('is read from the address, whichever way a form writes it, and has one address', () => {
    const chosen = chosenAt('of=12,7,12&compare=7&compare=99&x=1');
    expect(chosen).toEqual({ shortlist: [12, 7], compared: [7], sample: [] });
    expect(shortlistAddress(chosen)).toBe('/shortlist?of=12,7&compare=7');
    expect(chosenAt('of=a,-1,0,1.5,3').shortlist).toEqual([3]);
    expect(shortlistAddress(chosenAt(''))).toBe('/shortlist');
    const many = Array.from({ length: 80 }, (_, at) => at + 1).join(',');
    expect(chosenAt(`of=${many}&compare=${many}`)).toEqual(
      jasmine.objectContaining({
        compared: [1, 2, 3, 4],
        shortlist: jasmine.arrayWithExactContents(many.split(',').slice(0, 50).map(Number)),
      }),
    );
  });

  it('stands as cards in its order on the page of the shortlist, without what visitors may not see', async () => {
    const page = at(chosenAt('of=5,4,2,77'));
    const list = await pieceOf(page, 'list');
    expect(list!.cards.map(({ title }) => title)).toEqual(['Yard', 'Two']);
    expect(list!.visitors!.chosen!.shortlist).toEqual([5, 2]);
    expect((await page).canonical).toBe('/shortlist?of=5,4,2,77');
    expect((await page).cardForms['card-7']!.keep).toBe('Keep');
    expect(await pieceOf(page, 'comparison')).toBeUndefined();
  });

  it('stands side by side: where they differ as the card says it, then what is the same', async () => {
    const compared = await pieceOf(at(chosenAt('of=1,2,5&compare=1,2,5')), 'comparison');
    expect(compared!.heads.map(({ title }) => title)).toEqual(['One', 'Two']);
    expect(compared!.isOfSeveralKinds).toBeTrue();
    const rows = (all: typeof compared extends undefined ? never : NonNullable<typeof compared>['same']): unknown[] =>
      all.map(({ form, values }) => [form.label, values.map((value) => value?.text ?? null)]);
    expect(rows(compared!.different)).toEqual([['Length', ['1.8', '2.0']]]);
    expect(rows(compared!.same)).toEqual([['Price', ['€9', '€9']]]);
    expect(compared!.endHref).toBe('/shortlist?of=1,2,5');
  });

  it('is left to the browser on other pages, and stands for a sample in previews', async () => {
    const recent = makePage({
      ...{ name: 'Home', serves: 'home' },
      strips: [
        { columns: [{ pieces: [{ type: 'list', settings: { from: 'recent', heading: makeText(['Seen']) } }] }] },
      ],
    });
    const asVisitor = await pieceOf(at(chosenAt(''), recent), 'list');
    expect([asVisitor!.cards, asVisitor!.visitors]).toEqual([[], { of: 'recent', most: 12, chosen: null }]);
    const drafted = await pieceOf(at({ shortlist: [], compared: [], sample: [3] }, recent), 'list');
    expect([drafted!.cards.map(({ title }) => title), drafted!.visitors]).toEqual([['Three'], null]);
  });

  it('is given to browsers as cards, in their order', async () => {
    const { cards, forms } = await cardsOf([3, 4, 5], scene, source);
    expect(cards.map(({ title }) => title)).toEqual(['Three', 'Yard']);
    expect(Object.keys(forms)).toEqual(['card-7', 'kind-2']);
  });
});
