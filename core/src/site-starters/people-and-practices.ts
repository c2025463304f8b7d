import { makeLook } from '../design/index.js';
import type { BlueprintListing } from '../exchange/index.js';
import { withListPasted } from '../structure/index.js';
import { portraitDrawing } from './drawings/portrait.js';
import { shopDrawing } from './drawings/shop-front.js';
import { categoryTiles, choices, connections, example, field, frame, home, kind, listed, welcome } from './parts.js';
import type { SiteStarter, StarterScene } from './site-starter.js';

const NAME = 'Who treats what';
const SUBJECTS = withListPasted(
  { slug: 'subjects', label: 'Subjects', categories: [] },
  'General practice\nChildren\nSkin\nHeart\nTeeth\n  Braces\nBack and joints',
  null,
);
const LANGUAGES = ['English', 'German', 'French', 'Italian'];

type Person = readonly [
  name: string,
  summary: string,
  subjects: readonly string[],
  languages: readonly number[],
  since: number,
];

const PEOPLE: readonly Person[] = [
  [
    'Dr Adela Rook',
    'Listens first. Sees families from the first week on.',
    ['general-practice', 'children'],
    [0, 1],
    2009,
  ],
  ['Dr Benno Marlish', 'Skin of all ages; mornings without an appointment.', ['skin'], [1, 2], 2015],
  ['Dr Cora Ventnor-Hale', 'Heart, and what keeps it going.', ['heart', 'general-practice'], [0, 2], 1998],
  ['Dominik Ashgrove', 'Backs, knees and shoulders, with exercises for home.', ['back-and-joints'], [0, 1, 3], 2018],
  ['Dr Elin Tarrow', 'Teeth of people who are afraid of it.', ['teeth'], [0], 2011],
  ['Dr Fabian Quill', 'Braces for children and grown-ups.', ['braces'], [1, 3], 2020],
  ['Dr Greta Sundmark', 'Children’s doctor with a waiting room full of bricks.', ['children'], [0, 1, 2], 2006],
  ['Hanno Pellwyn', 'General practice and house calls on Thursdays.', ['general-practice'], [1], 2013],
];

type Practice = readonly [name: string, summary: string, phone: string, place: readonly [north: number, east: number]];

const PRACTICES: readonly Practice[] = [
  ['Practice at the Bridge', 'Four rooms on the first floor, with a lift.', '+00 555 0301', [46.792, 9.451]],
  ['Market Square Practice', 'Above the bakery; open on Saturday mornings.', '+00 555 0302', [46.797, 9.457]],
  ['House of Health North', 'Parking in front, no steps.', '+00 555 0303', [46.815, 9.44]],
];

const WORKS_AT = [
  ['Dr Adela Rook', 'Practice at the Bridge'],
  ['Dr Benno Marlish', 'Practice at the Bridge'],
  ['Dr Cora Ventnor-Hale', 'Market Square Practice'],
  ['Dominik Ashgrove', 'House of Health North'],
  ['Dr Elin Tarrow', 'Market Square Practice'],
  ['Dr Fabian Quill', 'Market Square Practice'],
  ['Dr Greta Sundmark', 'House of Health North'],
  ['Hanno Pellwyn', 'House of Health North'],
  ['Hanno Pellwyn', 'Practice at the Bridge'],
] as const;

const KINDS = [
  kind({
    slug: 'people',
    one: 'Person',
    many: 'People',
    icon: 'person',
    colour: '#3f5f8f',
    intro: 'Who treats what, where, and in which language.',
    parts: ['picture', 'summary', 'body'],
    fields: [
      field('subjects', 'Treats', 'categories', { searchWeight: 1, settings: { set: 1 } }),
      field('languages', 'Speaks', 'several-choices', { searchWeight: 1, settings: choices(LANGUAGES) }),
      field('works_at', 'Works at', 'link', { settings: { link: 1, side: 'a' } }),
      field('since', 'Here since', 'whole-number', { settings: { least: 1900, greatest: 'this year' } }),
    ],
  }),
  kind({
    slug: 'practices',
    one: 'Practice',
    many: 'Practices',
    icon: 'medical_services',
    colour: '#5d7a3a',
    intro: 'Where they work, and when somebody answers the telephone.',
    parts: ['picture', 'summary', 'place'],
    fields: [
      field('phone', 'Phone', 'phone'),
      field('website', 'Website', 'web-address', { inTable: false }),
      field('people', 'Who works here', 'link', { settings: { link: 1, side: 'b' } }),
    ],
  }),
];

/** People by what they do, linked with where they work. */
export const peopleAndPractices: SiteStarter = {
  name: 'people-and-practices',
  label: 'People and where they work',
  purpose: 'People with portraits, found by what they do and what they speak, each linked with a place of work',
  drawings: [...PEOPLE.map((_, at) => portraitDrawing(at + 40)), ...PRACTICES.map((_, at) => shopDrawing(at + 3))],
  site: (scene) => ({
    name: NAME,
    tagline: 'Everybody who looks after your health here',
    categorySets: [SUBJECTS],
    kinds: KINDS,
    designs: {
      people: { card: 'person', listing: 'person-page', index: 'portraits' },
      practices: { card: 'business', listing: 'business-page', index: 'map-and-list' },
    },
    links: [
      {
        a: { kind: 'people', field: 'works_at', many: true },
        b: { kind: 'practices', field: 'people', many: true },
        hasNotes: false,
        connections: connections(WORKS_AT),
      },
    ],
    home: home('What somebody wants who is not well', [
      welcome(NAME, 'Find who helps, near you and in your language.', scene.pictureOf('shop-4'), [
        { words: 'Find a person', address: '/people' },
        { words: 'See practices', address: '/practices' },
      ]),
      categoryTiles('What is it about?', 1, 'subjects'),
      listed('People', 1, { most: 8, layout: 'scrolling', width: 14 }),
      listed('Practices', 2, { most: 6, width: 18 }, { tone: 'tinted' }),
    ]),
    frame: frame('Who keeps this list, and how to tell them of a mistake: say it here.', 1),
    look: makeLook({ name: 'Our look', palette: 'lagoon', typefaces: 'notice', corners: 'slight' }),
    listings: [
      ...PEOPLE.map((one, at) => person(one, at, scene)),
      ...PRACTICES.map((one, at) => practice(one, at, scene)),
    ],
  }),
};

function person(
  [title, summary, subjects, languages, since]: Person,
  at: number,
  scene: StarterScene,
): BlueprintListing {
  return example('people', title, {
    summary,
    picture: { ...scene.pictureOf(`portrait-${at + 40}`), alt: `Drawing of ${title}` },
    body: '<p>Say here what a patient wants to know: how to make an appointment, what to bring, how long it takes.</p>',
    values: { subjects, languages: languages.map((one) => choices(LANGUAGES).choices[one]!.key), since },
  });
}

function practice(
  [title, summary, phone, [latitude, longitude]]: Practice,
  at: number,
  scene: StarterScene,
): BlueprintListing {
  return example('practices', title, {
    summary,
    picture: scene.pictureOf(`shop-${at + 3}`),
    place: { latitude, longitude, address: `${3 * at + 2} Mill Lane` },
    values: { phone, website: 'https://practice.example' },
  });
}
