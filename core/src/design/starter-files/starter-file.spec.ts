import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Kind } from '../../structure/index.js';
import { castOf, choicesFromLabels, makeField } from '../../structure/index.js';
import {
  CARD_STARTERS,
  PAGE_STARTERS,
  cardOfStarter,
  checkCard,
  checkPage,
  makePage,
  makeText,
  pageOfStarter,
  slotOfField,
  slotsOfCard,
  standardIndexPage,
  standardListingPage,
} from '../index.js';
import type { PageCheckScene, StarterFile } from '../index.js';
import { cardOfFile, pageOfFile, rolesOfFile, starterFileOf } from './starter-file.js';

const choices = choicesFromLabels(['One', 'Two']);
const cabin: Kind = makeKind([
  makeField({ key: 'price', label: 'Price a night', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'guests', label: 'Guests', type: 'whole-number' }),
  makeField({ key: 'sort', label: 'Sort', type: 'one-choice', settings: { choices } }),
  makeField({ key: 'phone', label: 'Phone', type: 'phone' }),
  makeField({ key: 'starts', label: 'Starts', type: 'date' }),
]);
/** The same in German, under other keys, in another order, and without a telephone. */
const huette: Kind = {
  ...makeKind([
    makeField({ key: 'art', label: 'Art', type: 'one-choice', settings: { choices } }),
    makeField({ key: 'starts', label: 'Preis', type: 'money', settings: { currency: 'EUR' } }),
    makeField({ key: 'price', label: 'Beginn', type: 'date' }),
    makeField({ key: 'gaeste', label: 'Gäste', type: 'whole-number' }),
  ]),
  id: 9,
};
const kindById = (id: number): Kind | undefined => [cabin, huette].find((kind) => kind.id === id);
const sceneOf = (kind: Kind): PageCheckScene => ({
  ...{
    kind,
    kindById,
    context: contextIn(),
    isSelection: () => false,
    partOf: () => undefined,
    formOf: () => undefined,
    isTaken: () => false,
  },
});
const HUETTE_CAST = { price: 'starts', guests: 'gaeste', sort: 'art', starts: 'price' };
/** As it is read from a disk. */
const read = <Of extends StarterFile>(file: Of): Of => JSON.parse(JSON.stringify(file)) as Of;
const own = { ...{ price: 'price', guests: 'guests', sort: 'sort', phone: 'phone', starts: 'starts' } };

describe('A starter in a file', () => {
  for (const starter of CARD_STARTERS) {
    it(`gives the card again where it was made, and one that fits elsewhere: ${starter.name}`, () => {
      const card = cardOfStarter(starter, cabin, 'Card');
      const file = read(starterFileOf({ type: 'card', definition: card }, cabin, kindById));
      if (file.type !== 'card') throw new Error('It is a card.');
      expect(cardOfFile(file, own, cabin, sceneOf(cabin))).toEqual(card);
      const other = cardOfFile(file, HUETTE_CAST, huette, sceneOf(huette));
      expect(checkCard(other, huette, sceneOf(huette))).toEqual([]);
      // What the kind has is shown: the telephone alone goes.
      const lost = slotsOfCard(card).filter(({ text }) => JSON.stringify(text).includes('"phone"')).length;
      expect(slotsOfCard(other).length).toBe(slotsOfCard(card).length - lost);
    });
  }

  for (const starter of PAGE_STARTERS) {
    it(`gives the page again where it was made, and one that fits elsewhere: ${starter.name}`, () => {
      const isListing = starter.serves === 'listing';
      const begun = isListing ? standardListingPage(cabin) : standardIndexPage('Cabins', cabin);
      const page = pageOfStarter(starter, cabin, begun);
      const file = read(starterFileOf({ type: 'page', definition: page }, cabin, kindById));
      if (file.type !== 'page') throw new Error('It is a page.');
      expect(pageOfFile(file, own, cabin, sceneOf(cabin))).toEqual(page);
      const other = pageOfFile(file, HUETTE_CAST, huette, sceneOf(huette));
      expect(checkPage(other, sceneOf(huette))).toEqual([]);
      expect(other.strips.length).toBeGreaterThan(0);
    });
  }

  it('changes two fields for one another at once', () => {
    const page = makePage({
      ...{ name: 'Page', serves: 'listing', title: makeText([{ field: 'price' }, ' from ', { field: 'starts' }]) },
      strips: [{ columns: [{ pieces: [{ type: 'values', settings: { slots: [slotOfField('price')] } }] }] }],
    });
    const file = starterFileOf({ type: 'page', definition: page }, cabin, kindById);
    expect(file.fields).toEqual([
      { key: 'price', label: 'Price a night', type: 'money' },
      { key: 'starts', label: 'Starts', type: 'date' },
    ]);
    if (file.type !== 'page') throw new Error('It is a page.');
    const other = pageOfFile(file, HUETTE_CAST, huette, sceneOf(huette));
    expect(other.title).toEqual(makeText([{ field: 'starts' }, ' from ', { field: 'price' }]));
    expect(JSON.stringify(other.strips)).toContain('"field":"starts"');
  });

  it('leaves out what shows other kinds, selections and parts, which no other site has', () => {
    const list = (settings: object) => ({ type: 'list' as const, settings });
    const page = makePage({
      ...{ name: 'Page', serves: 'listing' },
      strips: [
        { name: 'Of its kind', columns: [{ pieces: [list({ from: 'kind', of: cabin.id })] }] },
        {
          name: 'Elsewhere',
          columns: [{ pieces: [list({ from: 'kind', of: 9 }), list({ from: 'selection', of: 3 })] }],
        },
      ],
    });
    const file = read(starterFileOf({ type: 'page', definition: page }, cabin, kindById));
    if (file.type !== 'page') throw new Error('It is a page.');
    const other = pageOfFile(file, {}, huette, sceneOf(huette));
    expect(other.strips.map(({ name }) => name)).toEqual(['Of its kind']);
    expect(JSON.stringify(other)).toContain('"of":9');
  });

  it('finds the fields that play its parts by type and by name', () => {
    const card = cardOfStarter(CARD_STARTERS[0]!, cabin, 'Card');
    const file = starterFileOf({ type: 'card', definition: card }, cabin, kindById);
    const cast = castOf(rolesOfFile(file), huette);
    expect(cast['price']).toBe('starts');
    expect(cast['guests']).toBe('gaeste');
    expect(cast['phone']).toBeUndefined();
  });
});
