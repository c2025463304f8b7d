import { contextIn, makeKind } from '../../../testing/builders.js';
import type { FieldSketch, Kind } from '../../structure/index.js';
import { castOf, makeField, missingRoles } from '../../structure/index.js';
import type { CardDesign } from '../index.js';
import { CARD_STARTERS, cardOfStarter, cardStartersFor, checkCard, fitOf, slotsOfCard } from '../index.js';

const fieldOf = (
  label: string,
  type: FieldSketch['type'],
  more: Partial<FieldSketch> = {},
): ReturnType<typeof makeField> => makeField({ key: label.toLowerCase().replace(/\W+/g, '_'), label, type, ...more });
const kindOf = (one: string, ...fields: ReturnType<typeof makeField>[]): Kind => makeKind(fields, { one });

const CABIN = kindOf(
  'Cabin',
  fieldOf('Deposit', 'money', { settings: { currency: 'EUR' } }),
  fieldOf('Price a night', 'money', { settings: { currency: 'EUR' } }),
  fieldOf('House number', 'whole-number'),
  fieldOf('Guests', 'whole-number'),
);
const COURSE = kindOf('Course', fieldOf('Booked until', 'date'), fieldOf('Starts', 'date'), fieldOf('Fee', 'decimal'));
const CHANNEL = kindOf(
  'Channel',
  fieldOf('Number', 'reference'),
  fieldOf('Range', 'measure', { settings: { unit: 'nmi' } }),
);
const starterNamed = (name: string): (typeof CARD_STARTERS)[number] => CARD_STARTERS.find((one) => one.name === name)!;

describe('A card to begin with', () => {
  const scene = { kindById: () => undefined, context: contextIn() };
  const fieldsOn = (card: CardDesign): string[] =>
    slotsOfCard(card).flatMap(({ text }) => text.flatMap((part) => ('field' in part ? [part.field] : [])));

  it('finds which field plays which part, by the name where several could', () => {
    const { roles } = starterNamed('place-to-stay');
    expect(castOf(roles, CABIN)).toEqual({ price: 'price_a_night', room: 'guests' });
    // A number plays a price only where it is called one.
    expect(castOf(starterNamed('coming-date').roles, COURSE)).toEqual({ day: 'starts', price: 'fee' });
    expect(castOf(roles, kindOf('Hut', fieldOf('Height', 'decimal')))).toEqual({});
  });

  it('shows what a listing belongs to, never all of the many that belong to it', () => {
    const { roles } = starterNamed('place-to-stay');
    const link = (many: boolean) =>
      fieldOf('Harbour', 'link', { settings: { link: 1, linked: { kindId: 1, many, hasNotes: false } } });
    expect(castOf(roles, kindOf('Berth', link(false)))).toEqual({ belongsTo: 'harbour' });
    expect(castOf(roles, kindOf('Harbour', link(true)))).toEqual({});
  });

  it('says what a kind lacks for it, and fits no kind that lacks what it needs', () => {
    const { roles } = starterNamed('place-to-stay');
    expect(missingRoles(roles, castOf(roles, CHANNEL)).map(({ label }) => label)).toEqual(['a price']);
    expect(fitOf(starterNamed('place-to-stay'), CHANNEL)).toBeLessThan(0);
    expect(cardStartersFor(CABIN)[0]?.name).toBe('place-to-stay');
    expect(cardStartersFor(COURSE)[0]?.name).toBe('coming-date');
    expect(cardStartersFor(CHANNEL)[0]?.name).toBe('plain-row');
    const van = kindOf(
      'Van',
      fieldOf('Price a day', 'money', { settings: { currency: 'EUR' } }),
      fieldOf('Year', 'whole-number'),
    );
    expect(cardStartersFor(van)[0]?.name).toBe('thing-for-hire');
    expect(cardStartersFor(kindOf('Walk'))[0]?.name).toBe('words-on-picture');
  });

  it('can be kept as it is, for any kind, with and without a picture and a summary', () => {
    const bare = { ...makeKind([], { one: 'Thing' }), parts: [] };
    for (const starter of CARD_STARTERS) {
      for (const kind of [CABIN, COURSE, CHANNEL, bare]) {
        const card = cardOfStarter(starter, kind, 'To begin with');
        expect(checkCard(card, kind, scene))
          .withContext(`${starter.name} of ${kind.one}`)
          .toEqual([]);
        expect(fieldsOn(card)).withContext(starter.name).toContain('@title');
        // Nothing stands twice, and nothing that the kind doesn't have.
        expect(new Set(fieldsOn(card)).size).toBe(fieldsOn(card).length);
        expect(new Set(slotsOfCard(card).map(({ key }) => key)).size).toBe(slotsOfCard(card).length);
        const own = fieldsOn(card).filter((key) => !key.startsWith('@'));
        expect(own.filter((key) => !kind.fields.some((field) => field.key === key))).toEqual([]);
      }
    }
  });

  it('shows what plays its parts', () => {
    const card = cardOfStarter(starterNamed('place-to-stay'), CABIN, 'Cabins');
    expect([card.name, card.zones.foot.length, fieldsOn(card)]).toEqual([
      ...['Cabins', 1, ['@featured', '@title', '@summary', 'guests', 'price_a_night']],
    ]);
  });
});
