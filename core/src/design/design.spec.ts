import { contextIn, makeKind } from '../../testing/builders.js';
import type { Kind } from '../structure/index.js';
import { choicesFromLabels, makeField } from '../structure/index.js';
import type { CardDesign, DesignStep, KeptCard, SlotSketch } from './index.js';
import {
  addSlot,
  afterStep,
  changeCard,
  changeSlot,
  checkCard,
  copySlot,
  designWithKeyRenamed,
  fieldsOfDesign,
  fieldsOnCard,
  firstCard,
  makeCard,
  makeSlot,
  moveSlot,
  placeOfSlot,
  removeSlot,
  reversed,
  slotsOfCard,
} from './index.js';

const link = (key: string, label: string, kindId: number, many = false) =>
  makeField({ key, label, type: 'link', settings: { link: 1, linked: { kindId, many, hasNotes: false } } });

const region: Kind = makeKind([makeField({ key: 'motto', label: 'Motto', type: 'short-text' })], { id: 3, slug: 'r' });
const harbour: Kind = makeKind(
  [
    makeField({ key: 'depth', label: 'Depth', type: 'measure', settings: { unit: 'm' } }),
    makeField({
      key: 'does',
      label: 'Does',
      type: 'several-choices',
      settings: { choices: choicesFromLabels(['Fuel', 'Water']) },
    }),
    link('region', 'Region', 3),
  ],
  { id: 2, slug: 'harbours' },
);
const berth: Kind = makeKind([
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'site', label: 'Web page', type: 'web-address' }),
  makeField({
    key: 'extras',
    label: 'Extras',
    type: 'rows',
    settings: { fields: [makeField({ key: 'what', label: 'What', type: 'short-text' })] },
  }),
  link('harbour', 'Harbour', 2),
]);
const kindById = (id: number): Kind | undefined => [berth, harbour, region].find((kind) => kind.id === id);
const scene = { kindById, context: contextIn() };
const names = { kind: berth, kindById };

const title: SlotSketch = { key: 'title', text: [{ field: '@title' }] };
const card = (zones: Parameters<typeof makeCard>[0]['zones'] = {}, more: Partial<CardDesign> = {}): CardDesign =>
  makeCard({ name: 'Card', ...more, zones: { heading: [title], ...zones } });
const reasonsOf = (design: CardDesign): string[] => checkCard(design, berth, scene).map(({ message }) => message);

describe('Checking a card', () => {
  it('lets through the one that a kind has by itself, and what reaches through links', () => {
    expect(reasonsOf(firstCard(berth))).toEqual([]);
    const far: SlotSketch = {
      key: 'far',
      text: ['in ', { field: 'motto', through: ['harbour', 'region'], before: 'the ', after: '!' }],
    };
    const deep: SlotSketch = { key: 'deep', text: [{ field: 'depth', through: ['harbour'], unit: 'ft', digits: 1 }] };
    expect(
      reasonsOf(card({ body: [far, deep], foot: [{ key: 'x', text: [{ field: 'extras', inside: 'what' }] }] })),
    ).toEqual([]);
  });

  it('names the place and the reason of everything that is wrong', () => {
    const wrong = card({
      body: [
        { key: 'a', text: [{ field: 'gone' }] },
        { key: 'b', text: [{ field: 'depth', through: ['harbour'], unit: 'kg' }] },
        { key: 'c', text: [{ field: 'extras', inside: 'nothing' }] },
        { key: 'd', text: [] },
      ],
      foot: [
        { key: 'e', text: ['Go'], form: 'button' },
        { key: 'f', text: ['Go'], leadsTo: 'price' },
        { key: 'g', text: ['Go'], showWhen: { join: 'all', of: [{ field: 'gone', op: 'is', value: 1 }] } },
        {
          key: 'h',
          text: ['Go'],
          showWhen: { join: 'all', of: [{ link: 'harbour', where: { join: 'all', of: [] } }] },
        },
      ],
    });
    expect(reasonsOf(wrong)).toEqual([
      'Values, 1: there is no field “gone” any more.',
      'Values, 2: Depth cannot be shown in “kg”.',
      'Values, 3: Extras has nothing inside called “nothing”.',
      'Values, 4: it shows nothing; choose a value or write a text.',
      'Foot, 1: a button has to lead to something.',
      'Foot, 2: it leads to Price, which is no address.',
      'Foot, 3: it is shown when a condition holds (1): the field “gone” is not there any more.',
      'Foot, 4: it is shown when something holds of linked listings, which a slot cannot ask.',
    ]);
  });

  it('wants a name, the title once, keys of their own, and a picture where something stands on it', () => {
    expect(reasonsOf(makeCard({ name: ' ', zones: { heading: [title] } }))).toEqual([
      'A design needs a name of 1 to 80 characters.',
    ]);
    const titles =
      'Heading: it needs the title once, in the heading, among the values or in the foot: it names the card.';
    expect(reasonsOf(makeCard({ name: 'x' }))).toEqual([titles]);
    expect(reasonsOf(card({ foot: [title] }))).toEqual(['All: two slots have the key “title”.', titles]);
    const bare = card({ topEnd: [{ key: 'x', text: [{ field: 'price' }] }] }, { picture: { stands: 'none' } as never });
    expect(reasonsOf(bare)).toEqual(['On the picture, top right: the card has no picture to stand on.']);
    const foreign = card({}, { picture: { field: 'price' } as never });
    expect(reasonsOf(foreign)).toEqual(['Picture: there is no field of pictures “price” any more.']);
  });
});

describe('What a card uses', () => {
  const design: KeptCard = {
    ...{ id: 1, version: 1, type: 'card', kindId: 1, position: 1 },
    definition: card({
      body: [
        {
          key: 'a',
          text: [{ field: 'price' }],
          showWhen: { join: 'all', of: [{ field: 'site', op: 'is-not-empty' }] },
        },
        { key: 'b', text: [{ field: 'does', through: ['harbour'] }] },
      ],
      foot: [{ key: 'c', text: ['Go'], leadsTo: 'site' }],
    }),
  };

  it('are the fields of its kind and of those that it reaches, each once', () => {
    expect(fieldsOfDesign(design, kindById).map(({ kindId, field }) => `${kindId} ${field}`)).toEqual([
      ...['1 @picture', '1 @title', '1 price', '1 site', '1 harbour', '2 does'],
    ]);
    expect(fieldsOnCard(berth, [design])).toEqual(['price']);
    expect(fieldsOnCard(berth, [])).toEqual(['price', 'site']);
  });

  it('follows a field that gets another key, near and far', () => {
    const renamed = (kindId: number, from: string, to: string): KeptCard =>
      designWithKeyRenamed(design, { kindId, from, to }, kindById);
    expect(renamed(1, 'does', 'x')).toBe(design);
    expect(renamed(2, 'does', 'can').definition.zones.body[1]!.text[0]).toEqual(
      jasmine.objectContaining({ field: 'can', through: ['harbour'] }),
    );
    expect(renamed(1, 'harbour', 'port').definition.zones.body[1]!.text[0]).toEqual(
      jasmine.objectContaining({ field: 'does', through: ['port'] }),
    );
    const site = renamed(1, 'site', 'page').definition.zones;
    expect([site.foot[0]!.leadsTo, site.body[0]!.showWhen?.of[0]]).toEqual([
      'page',
      { field: 'page', op: 'is-not-empty' },
    ]);
  });
});

describe('Steps of designing', () => {
  const begun = card({
    body: [
      { key: 'price', text: [{ field: 'price' }] },
      { key: 'site', text: [{ field: 'site' }] },
    ],
  });
  const keysOf = (design: CardDesign): string[] => slotsOfCard(design).map(({ key }) => key);

  it('add, copy, move, change and remove, each with its words, and leave the design before as it was', () => {
    const slot = makeSlot({ key: 'price', text: ['From ', { field: 'price' }] });
    const steps: ((design: CardDesign) => DesignStep | null)[] = [
      (design) => addSlot(design, { zone: 'foot', at: 0 }, slot, names),
      (design) => copySlot(design, { zone: 'body', at: 1 }, names),
      (design) => moveSlot(design, { zone: 'body', at: 0 }, { zone: 'heading', at: 1 }, names),
      (design) => changeSlot(design, { zone: 'foot', at: 0 }, { label: 'Costs' }, names),
      (design) => removeSlot(design, { zone: 'body', at: 0 }, names),
      (design) => changeCard(design, 'surface', 'tinted', 'Changed the surface'),
    ];
    const made: DesignStep[] = [];
    const end = steps.reduce((design, step) => {
      made.push(step(design)!);
      return afterStep(design, made.at(-1)!);
    }, begun);
    expect(made.map(({ words }) => words)).toEqual([
      'Added Price to “Foot”',
      'Copied Web page',
      'Moved Price to “Heading”',
      'Changed Costs',
      'Took out Web page',
      'Changed the surface',
    ]);
    expect([keysOf(end), end.surface]).toEqual([['title', 'price', 'site-2', 'price-2'], 'tinted']);
    expect(keysOf(begun)).toEqual(['title', 'price', 'site']);
    expect(placeOfSlot(end, 'price-2')).toEqual({ zone: 'foot', at: 0 });
    const back = made.reverse().reduce((design, step) => afterStep(design, reversed(step)), end);
    expect(back).toEqual(begun);
  });

  it('say nothing of a move to where it stands', () => {
    expect(moveSlot(begun, { zone: 'body', at: 1 }, { zone: 'body', at: 1 }, names)).toBeNull();
  });
});
