import { makeLook } from '../design/index.js';
import type { BlueprintListing } from '../exchange/index.js';
import { makeDateGrouping } from '../structure/index.js';
import { houseDrawing } from './drawings/house.js';
import { shopDrawing } from './drawings/shop-front.js';
import { choices, connections, dayAfter, example, field, frame, home, kind, listed, welcome } from './parts.js';
import type { SiteStarter, StarterScene } from './site-starter.js';

const NAME = 'What is on';
const LEVELS = ['For everybody', 'For beginners', 'For those who know'];

type Course = readonly [
  title: string,
  summary: string,
  values: readonly [inDays: number, days: number, price: number, seats: number, level: number],
  venue: number,
];

const COURSES: readonly Course[] = [
  ['Bread from your own oven', 'Three loaves, and the crumb explained.', [9, 1, 45, 10, 1], 0],
  ['Mending walls without mortar', 'Stones, a hammer, patience.', [16, 2, 120, 8, 1], 1],
  ['An evening of short films', 'Seven films, none longer than ten minutes.', [23, 1, 9, 60, 0], 2],
  ['Bees in the second year', 'Swarms, queens and the first real harvest.', [37, 2, 95, 12, 2], 1],
  ['Drawing what you see', 'Bring a pencil; we bring the fruit.', [44, 1, 30, 14, 1], 0],
  ['Choir weekend', 'Sing from Friday to Sunday, and in church at the end.', [58, 3, 60, 40, 0], 2],
  ['Pruning old apple trees', 'What to leave standing.', [72, 1, 40, 12, 1], 1],
  ['Joints without nails', 'Dovetails for those who can saw straight.', [86, 2, 140, 6, 2], 0],
  ['Stars above the mill', 'With two telescopes, when the sky is clear.', [101, 1, 12, 25, 0], 1],
];

const VENUES = [
  ['Old School', 'Two rooms with large windows, and a kitchen.', [46.798, 9.454]],
  ['Mill Yard', 'Under the roof when it rains, under the sky when not.', [46.785, 9.431]],
  ['Town Hall', 'The large hall seats a hundred.', [46.795, 9.458]],
] as const;

const KINDS = [
  kind({
    slug: 'courses',
    one: 'Course',
    many: 'Courses',
    icon: 'event',
    colour: '#7a5c86',
    intro: 'What begins in the coming months.',
    defaultOrder: [{ by: 'field:starts', direction: 'up' }],
    grouping: makeDateGrouping({ field: 'starts', past: 'folded' }),
    // A course can be joined until its first day is over.
    expiry: { countedFrom: { by: 'field', field: 'starts' }, saysOver: true },
    parts: ['picture', 'summary', 'body'],
    fields: [
      field('starts', 'Begins', 'date', { required: true }),
      field('ends', 'Ends', 'date'),
      field('level', 'For whom', 'one-choice', { searchWeight: 1, settings: choices(LEVELS) }),
      field('price', 'Price', 'money', { settings: { currency: 'EUR', least: 0 } }),
      field('seats', 'Seats', 'whole-number', { settings: { least: 1 } }),
      field('held_at', 'Held at', 'link', { settings: { link: 1, side: 'a' } }),
    ],
  }),
  kind({
    slug: 'venues',
    one: 'Venue',
    many: 'Venues',
    icon: 'location_on',
    colour: '#b7791f',
    intro: 'Where it is held, and what is on there.',
    parts: ['picture', 'summary', 'place'],
    fields: [
      field('step_free', 'Without steps', 'yes-no'),
      field('courses', 'What is on here', 'link', { settings: { link: 1, side: 'b' } }),
    ],
  }),
];

/** What begins on a day, under months, linked with where it is held. */
export const coursesAndDates: SiteStarter = {
  name: 'courses-and-dates',
  label: 'Courses and dates',
  purpose: 'What begins on a day, under the months in which it does, with a price and where it is held',
  drawings: [...COURSES.map((_, at) => houseDrawing(at + 20)), ...VENUES.map((_, at) => shopDrawing(at + 20))],
  site: (scene) => ({
    name: NAME,
    tagline: 'Courses, evenings and weekends to join',
    categorySets: [],
    kinds: KINDS,
    designs: {
      courses: { card: 'coming-date', listing: 'date-page', index: 'coming-dates' },
      venues: { card: 'place-to-visit', listing: 'pictures-first', index: 'cards-and-facets' },
    },
    links: [
      {
        a: { kind: 'courses', field: 'held_at', many: false },
        b: { kind: 'venues', field: 'courses', many: true },
        hasNotes: false,
        connections: connections(COURSES.map(([title, , , at]) => [title, VENUES[at]![0]])),
      },
    ],
    home: home('What somebody wants who has a free weekend', [
      welcome(NAME, 'Learn something, hear something, meet somebody.', scene.pictureOf('house-20'), [
        { words: 'See what is on', address: '/courses' },
      ]),
      listed('Next courses', 1, { most: 6, width: 17 }),
      listed('Where it is held', 2, { most: 6, width: 17 }, { tone: 'tinted' }),
    ]),
    frame: frame('Who invites, and how to join: say it here.', 1),
    look: makeLook({ name: 'Our look', palette: 'heather', typefaces: 'library', corners: 'slight' }),
    listings: [
      ...COURSES.map((one, at) => course(one, at, scene)),
      ...VENUES.map(([title, summary, [latitude, longitude]], at) =>
        example('venues', title, {
          summary,
          picture: scene.pictureOf(`shop-${at + 20}`),
          place: { latitude, longitude, address: `${3 * at + 2} Mill Lane` },
          values: { step_free: at !== 1 },
        }),
      ),
    ],
  }),
};

function course([title, summary, values]: Course, at: number, scene: StarterScene): BlueprintListing {
  const [inDays, days, price, seats, level] = values;
  return example('courses', title, {
    summary,
    picture: scene.pictureOf(`house-${at + 20}`),
    body: '<p>Say here what somebody wants to know before they join: what to bring, what is included, how to get there.</p>',
    featured: at === 0,
    values: {
      starts: dayAfter(scene.today, inDays),
      ends: dayAfter(scene.today, inDays + days - 1),
      level: choices(LEVELS).choices[level]!.key,
      price: { minor: price * 100, currency: 'EUR' },
      seats,
    },
  });
}
