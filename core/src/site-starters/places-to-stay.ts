import { makeLook } from '../design/index.js';
import type { BlueprintListing } from '../exchange/index.js';
import { houseDrawing } from './drawings/house.js';
import { choices, example, field, frame, home, kind, listed, welcome } from './parts.js';
import type { SiteStarter, StarterScene } from './site-starter.js';

const SORTS = ['House', 'Cabin', 'Room', 'Barn'];
const REGIONS = ['In the hills', 'By the river', 'In the village'];
const FEATURES = ['Kitchen', 'Garden', 'Stove', 'Dogs welcome', 'Step-free', 'Bicycles'];
const NAME = 'Places to stay';

type Row = readonly [
  title: string,
  summary: string,
  values: readonly [sort: number, region: number, price: number, guests: number, features: readonly number[]],
  place: readonly [north: number, east: number],
];

const ROWS: readonly Row[] = [
  [
    'Larch House',
    'A whole house at the edge of the wood, with a long table.',
    [0, 0, 148, 8, [0, 1, 2, 3]],
    [46.812, 9.412],
  ],
  ['Ferry Room', 'One room above the landing stage, breakfast downstairs.', [2, 1, 62, 2, [4, 5]], [46.779, 9.468]],
  ['Upper Barn', 'Hay below, beds above, and the quiet of the high meadow.', [3, 0, 54, 12, [2, 3]], [46.834, 9.391]],
  ['Weir Cabin', 'Two beds and a stove, ten steps from the water.', [1, 1, 71, 2, [0, 2]], [46.771, 9.447]],
  [
    'Mill House',
    'The wheel still turns; the kitchen is where the flour was.',
    [0, 1, 132, 6, [0, 1, 5]],
    [46.785, 9.431],
  ],
  ['Clock Room', 'On the square, third floor, with a view of the market.', [2, 2, 58, 2, []], [46.796, 9.455]],
  [
    'Shepherd’s Cabin',
    'As far up as a car goes, and then a little further.',
    [1, 0, 66, 4, [0, 2, 3]],
    [46.841, 9.424],
  ],
  ['Orchard House', 'Apples in autumn, a swing all year.', [0, 2, 118, 5, [0, 1, 3, 4]], [46.801, 9.462]],
  ['Stone Barn', 'For groups: one large room, and a fire in the middle.', [3, 2, 96, 16, [0, 2, 4]], [46.806, 9.439]],
];

const KINDS = [
  kind({
    slug: 'places',
    one: 'Place',
    many: 'Places',
    icon: 'bed',
    colour: '#0f6e6a',
    intro: 'Every place to stay, with what it costs and what it has.',
    parts: ['picture', 'summary', 'body', 'place'],
    fields: [
      field('sort', 'What it is', 'one-choice', { searchWeight: 1, settings: choices(SORTS) }),
      field('price', 'Price a night', 'money', { settings: { currency: 'EUR', least: 0 } }),
      field('guests', 'Guests', 'whole-number', { settings: { least: 1 } }),
      field('region', 'Where', 'one-choice', { searchWeight: 1, settings: choices(REGIONS) }),
      field('features', 'It has', 'several-choices', { searchWeight: 1, settings: choices(FEATURES) }),
      field('booking', 'Book at', 'web-address', { inTable: false }),
    ],
  }),
];

/** Houses, cabins and rooms with a price a night, on cards and on a map. */
export const placesToStay: SiteStarter = {
  name: 'places-to-stay',
  label: NAME,
  purpose: 'Houses, cabins and rooms with a price a night, how many they are for, and where they are',
  drawings: ROWS.map((_, at) => houseDrawing(at)),
  site: (scene) => ({
    name: NAME,
    tagline: 'Where to sleep between the river and the hills',
    categorySets: [],
    kinds: KINDS,
    designs: { places: { card: 'place-to-stay', listing: 'price-beside', index: 'cards-and-facets' } },
    links: [],
    home: home('What somebody wants who looks for a bed', [
      welcome(NAME, 'Houses, cabins and rooms between the river and the hills.', scene.pictureOf('house-0'), [
        { words: 'See all places', address: '/places' },
        { words: 'For two', address: '/places?guests=2..2' },
      ]),
      listed('Places that we like', 1, { most: 6, layout: 'scrolling', width: 18 }),
      {
        name: 'On a map',
        space: 'large',
        columns: [
          { share: 3, pieces: [{ type: 'map', settings: { area: 'map', height: 'large' } }] },
          {
            share: 2,
            pieces: [
              { type: 'list', settings: { from: 'kind', of: 1, steered: true, name: 'map', most: 20, layout: 'rows' } },
            ],
          },
        ],
      },
    ]),
    frame: frame('Who we are, and how to reach us: say it here.', 1),
    look: makeLook({ name: 'Our look', palette: 'orchard', typefaces: 'press', corners: 'round', depth: 'shadow' }),
    listings: ROWS.map((row, at) => listing(row, at, scene)),
  }),
};

function listing(
  [title, summary, values, [latitude, longitude]]: Row,
  at: number,
  scene: StarterScene,
): BlueprintListing {
  const [sort, region, price, guests, features] = values;
  const keyOf = (labels: readonly string[], one: number): string => choices(labels).choices[one]!.key;
  return example('places', title, {
    summary,
    picture: scene.pictureOf(`house-${at}`),
    body: '<p>Say here what a guest wants to know before they book: how to get there, when they can come, what is near.</p>',
    place: { latitude, longitude, address: `${3 * at + 2} Mill Lane` },
    featured: at % 4 === 0,
    values: {
      sort: keyOf(SORTS, sort),
      price: { minor: price * 100, currency: 'EUR' },
      guests,
      region: keyOf(REGIONS, region),
      features: features.map((one) => keyOf(FEATURES, one)),
      booking: 'https://book.example',
    },
  });
}
