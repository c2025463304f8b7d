import { makeLook } from '../design/index.js';
import type { BlueprintListing } from '../exchange/index.js';
import { withListPasted } from '../structure/index.js';
import { shopDrawing } from './drawings/shop-front.js';
import { categoryTiles, connections, dayAfter, example, field, frame, home, kind, listed, welcome } from './parts.js';
import type { SiteStarter, StarterScene } from './site-starter.js';

const NAME = 'Shops and workshops';
const TRADES = withListPasted(
  { slug: 'trades', label: 'Trades', categories: [] },
  'Food\n  Bakeries\n  Greengrocers\nRepairs\n  Bicycles\n  Shoes\nBooks and paper\nFlowers\nClothes',
  null,
);

type Business = readonly [
  title: string,
  summary: string,
  values: readonly [trades: readonly string[], rating: number, since: number],
  place: readonly [north: number, east: number],
];

const BUSINESSES: readonly Business[] = [
  ['Crumb and Crust', 'Bread from six in the morning, cake from ten.', [['bakeries'], 4.5, 1987], [46.797, 9.456]],
  ['Turnip Lane Greengrocers', 'What grows within an hour of here.', [['greengrocers'], 4, 2004], [46.796, 9.453]],
  ['Second Gear', 'Bicycles, mended while you wait.', [['bicycles'], 5, 2012], [46.794, 9.449]],
  ['Heel and Sole', 'Shoes that were too good to throw away.', [['shoes'], 4, 1969], [46.798, 9.459]],
  ['Blank Page', 'Paper, pens and the books beside them.', [['books-and-paper'], 4.5, 1999], [46.795, 9.457]],
  ['Wild Stems', 'Flowers as they grow, not as they should.', [['flowers'], 3.5, 2016], [46.793, 9.46]],
  ['Thread Count', 'Clothes made, let out and taken in.', [['clothes'], 4.5, 2009], [46.799, 9.452]],
  ['Green Barrow', 'Vegetables and flowers from one field.', [['greengrocers', 'flowers'], 4, 2019], [46.801, 9.447]],
];

type Offer = readonly [
  title: string,
  summary: string,
  values: readonly [price: number, untilInDays: number],
  from: number,
];

const OFFERS: readonly Offer[] = [
  ['Two loaves for the price of one', 'On Mondays, as long as there are any.', [4, 30], 0],
  ['A box for a week', 'Seven sorts, enough for four.', [28, 60], 1],
  ['Winter check', 'Brakes, lights, chain; ready the same day.', [39, 45], 2],
  ['New soles', 'Leather or rubber, with a shine.', [34, 90], 3],
  ['Ten notebooks', 'Lined, blank or with squares.', [25, 20], 4],
  ['Trousers shortened', 'Brought on Tuesday, done on Friday.', [12, 75], 6],
];

const KINDS = [
  kind({
    slug: 'businesses',
    one: 'Business',
    many: 'Businesses',
    icon: 'storefront',
    colour: '#b7791f',
    intro: 'Who makes, sells and mends what.',
    parts: ['picture', 'summary', 'body', 'place'],
    fields: [
      field('trades', 'Trade', 'categories', { searchWeight: 1, settings: { set: 1 } }),
      field('rating', 'Our rating', 'rating'),
      field('phone', 'Phone', 'phone'),
      field('website', 'Website', 'web-address', { inTable: false }),
      field('since', 'Since', 'whole-number', { settings: { least: 1700, greatest: 'this year' } }),
      field('offers', 'Offers', 'link', { settings: { link: 1, side: 'b' } }),
    ],
  }),
  kind({
    slug: 'offers',
    one: 'Offer',
    many: 'Offers',
    icon: 'tag',
    colour: '#0f6e6a',
    intro: 'What can be had now.',
    parts: ['picture', 'summary'],
    fields: [
      field('price', 'Price', 'money', { settings: { currency: 'EUR', least: 0 } }),
      field('until', 'Until', 'date'),
      field('from', 'From', 'link', { settings: { link: 1, side: 'a' } }),
    ],
  }),
];

/** Businesses by trade, each with what it offers. */
export const businessesAndOffers: SiteStarter = {
  name: 'businesses-and-offers',
  label: 'Businesses with their offers',
  purpose: 'Businesses by trade, with how to reach them, linked with offers that have a price and an end',
  drawings: [...BUSINESSES, ...OFFERS].map((_, at) => shopDrawing(at + 50)),
  site: (scene) => ({
    name: NAME,
    tagline: 'What there is in our street, and what it costs',
    categorySets: [TRADES],
    kinds: KINDS,
    designs: {
      businesses: { card: 'business', listing: 'business-page', index: 'cards-and-facets' },
      offers: { card: 'thing-for-hire', listing: 'price-beside', index: 'cards-and-facets' },
    },
    links: [
      {
        a: { kind: 'offers', field: 'from', many: false },
        b: { kind: 'businesses', field: 'offers', many: true },
        hasNotes: false,
        connections: connections(OFFERS.map(([title, , , at]) => [title, BUSINESSES[at]![0]])),
      },
    ],
    home: home('What somebody wants who has a basket in the hand', [
      welcome(NAME, 'Everything within ten minutes on foot.', scene.pictureOf('shop-50'), [
        { words: 'See all businesses', address: '/businesses' },
        { words: 'See offers', address: '/offers' },
      ]),
      categoryTiles('What do you need?', 1, 'trades'),
      listed('Offers', 2, { most: 8, layout: 'scrolling', width: 16 }, { tone: 'tinted' }),
      listed('Businesses', 1, { most: 8, width: 16 }),
    ]),
    frame: frame('Who keeps this list, and how a business gets into it: say it here.', 1),
    look: makeLook({ name: 'Our look', palette: 'clay', typefaces: 'shore', corners: 'slight' }),
    listings: [
      ...BUSINESSES.map((one, at) => business(one, at, scene)),
      ...OFFERS.map((one, at) => offer(one, at, scene)),
    ],
  }),
};

function business(
  [title, summary, values, [latitude, longitude]]: Business,
  at: number,
  scene: StarterScene,
): BlueprintListing {
  const [trades, rating, since] = values;
  return example('businesses', title, {
    summary,
    picture: scene.pictureOf(`shop-${at + 50}`),
    body: '<p>Say here what a customer wants to know: when it is open, what it is known for, where to park.</p>',
    place: { latitude, longitude, address: `${3 * at + 2} Mill Lane` },
    values: { trades, rating, since, phone: `+00 555 04${10 + at}`, website: 'https://shop.example' },
  });
}

function offer([title, summary, [price, untilInDays]]: Offer, at: number, scene: StarterScene): BlueprintListing {
  return example('offers', title, {
    summary,
    picture: scene.pictureOf(`shop-${at + 50 + BUSINESSES.length}`),
    values: { price: { minor: price * 100, currency: 'EUR' }, until: dayAfter(scene.today, untilInDays) },
  });
}
