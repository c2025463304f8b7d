import type { CategorySetDefinition, Choice, Facet, KindDefinition, KindSketch } from '@plindo/core/structure';
import {
  choicesFromLabels,
  kindOfImport,
  makeCategory,
  makeField,
  withCategoryChanged,
  withListPasted,
} from '@plindo/core/structure';
import { SiteWords } from '@plindo/core/values';
import { CERTIFICATES, LANGUAGES, LEVELS, SERVICE_LOOKS, YARD_SERVICES } from './people-and-work.js';
import { BERTH_FACILITIES, BERTH_TYPES, HARBOUR_FACILITIES, REGIONS } from './places.js';

const choices = (labels: readonly string[]): Choice[] => choicesFromLabels(labels);

function kind(given: KindSketch, change: (facet: Facet) => Facet = (facet) => facet): KindDefinition {
  const made = kindOfImport({ published: true, startStatus: 'live', ...given }, new SiteWords('en-GB'));
  return { ...made, facets: made.facets.map(change) };
}

const asChips = (facet: Facet): Facet => (facet.key === 'languages' ? { ...facet, control: 'chips' } : facet);

/** What boatyards do, as a tree. */
export const SERVICES: CategorySetDefinition = Object.entries(SERVICE_LOOKS).reduce(
  (set, [label, look]) => {
    const found = set.categories.find((category) => category.label === label);
    return found ? withCategoryChanged(set, found.key, look) : set;
  },
  withListPasted({ slug: 'services', label: 'Yard services', categories: [] }, YARD_SERVICES, null),
);

export const HARBOUR_KIND: KindDefinition = kind({
  slug: 'harbours',
  one: 'Harbour',
  many: 'Harbours',
  icon: 'anchor',
  colour: '#0f6e6a',
  intro: 'Twelve places to lie safely between the upper reach and the open sea.',
  sections: [
    { key: 'office', label: 'The harbour office', folded: false },
    { key: 'pictures', label: 'More pictures', folded: true },
  ],
  fields: [
    makeField({
      key: 'region',
      label: 'Region',
      type: 'one-choice',
      searchWeight: 1,
      settings: { choices: choices(REGIONS) },
    }),
    makeField({
      key: 'facilities',
      label: 'Facilities',
      type: 'several-choices',
      searchWeight: 1,
      settings: { choices: choices(HARBOUR_FACILITIES) },
    }),
    makeField({ key: 'fuel', label: 'Fuel berth', type: 'yes-no' }),
    makeField({
      key: 'visitor_berths',
      label: 'Visitor berths',
      type: 'whole-number',
      settings: { least: 0 },
    }),
    makeField({
      key: 'channel',
      label: 'Working channel',
      type: 'short-text',
      section: 'office',
      help: 'The radio channel on which the office listens.',
    }),
    makeField({
      key: 'hours',
      label: 'Office hours',
      type: 'range',
      section: 'office',
      settings: { ends: 'time-of-day' },
    }),
    makeField({ key: 'phone', label: 'Phone', type: 'phone', section: 'office' }),
    makeField({ key: 'email', label: 'E-mail', type: 'email', section: 'office' }),
    makeField({ key: 'website', label: 'Website', type: 'web-address', section: 'office' }),
    makeField({ key: 'place', label: 'Place', type: 'place' }),
    makeField({ key: 'about', label: 'About', type: 'long-text', inTable: false, searchWeight: 1 }),
    makeField({ key: 'views', label: 'Views', type: 'pictures', inTable: false, section: 'pictures' }),
  ],
});

const TARIFF_PARTS = [
  makeField({
    key: 'season',
    label: 'Season',
    type: 'one-choice',
    required: true,
    settings: { choices: choices(['Winter', 'Summer', 'Regatta week']) },
  }),
  makeField({ key: 'night', label: 'A night', type: 'money', settings: { currency: 'EUR', least: 0 } }),
  makeField({ key: 'week', label: 'A week', type: 'money', settings: { currency: 'EUR', least: 0 } }),
];

const berthKind = kind({
  slug: 'berths',
  one: 'Berth',
  many: 'Berths',
  icon: 'directions_boat',
  colour: '#3f5f8f',
  intro: 'Every visitor berth of Merrow Sound, with its price a night and what it offers.',
  sections: [{ key: 'size', label: 'Size', folded: false }],
  fields: [
    makeField({
      key: 'type',
      label: 'Type',
      type: 'one-choice',
      searchWeight: 1,
      settings: { choices: choices(BERTH_TYPES) },
    }),
    makeField({
      key: 'price',
      label: 'Price a night',
      type: 'money',
      settings: { currency: 'EUR', least: 0 },
    }),
    makeField({
      key: 'length',
      label: 'Greatest length',
      type: 'measure',
      section: 'size',
      settings: { unit: 'm', least: 0, greatest: 60 },
    }),
    makeField({
      key: 'draught',
      label: 'Greatest draught',
      type: 'measure',
      section: 'size',
      settings: { unit: 'm', least: 0, greatest: 12 },
    }),
    makeField({
      key: 'facility',
      label: 'Facilities',
      type: 'several-choices',
      searchWeight: 1,
      settings: { choices: choices(BERTH_FACILITIES) },
    }),
    makeField({
      key: 'nearby',
      label: 'Services nearby',
      type: 'yes-no',
      help: 'Shops, fuel or a laundry within 500 m.',
    }),
    makeField({
      key: 'services_note',
      label: 'Which services',
      type: 'short-text',
      inTable: false,
      showWhen: { field: 'nearby', op: 'is', value: 'yes' },
    }),
    makeField({
      key: 'tariff',
      label: 'Tariff',
      type: 'rows',
      inTable: false,
      settings: { fields: TARIFF_PARTS, most: 6 },
    }),
    makeField({
      key: 'week',
      label: 'A week from',
      type: 'computed',
      settings: { expression: 'min(first(min(tariff.week), price * 7), price * 7)', result: 'money', currency: 'EUR' },
    }),
    makeField({
      key: 'length_feet',
      label: 'Length in feet',
      type: 'computed',
      section: 'size',
      inTable: false,
      settings: { expression: 'length', result: 'measure', unit: 'ft', decimals: 1 },
    }),
    makeField({ key: 'number', label: 'Berth number', type: 'reference', settings: { pattern: 'MS-####' } }),
    makeField({ key: 'checked', label: 'Last checked', type: 'date', settings: { greatest: 'today' } }),
  ],
});

export const BERTH_KIND: KindDefinition = {
  ...berthKind,
  sortChoices: berthKind.sortChoices.filter(({ key }) => !key.startsWith('week') && !key.startsWith('length-feet')),
};

/** Boatyards; `services` is the number of their category set. */
export function boatyardKind(services: number): KindDefinition {
  return kind({
    slug: 'boatyards',
    one: 'Boatyard',
    many: 'Boatyards',
    icon: 'handyman',
    colour: '#8a5a10',
    intro: 'Where boats are lifted, mended and laid up.',
    parts: ['picture', 'summary', 'body'],
    fields: [
      makeField({
        key: 'services',
        label: 'Services',
        type: 'categories',
        searchWeight: 1,
        settings: { set: services },
      }),
      makeField({
        key: 'lift',
        label: 'Lifts up to',
        type: 'measure',
        settings: { unit: 't', least: 0 },
      }),
      makeField({ key: 'rating', label: 'Our rating', type: 'rating' }),
      makeField({
        key: 'since',
        label: 'Since',
        type: 'whole-number',
        settings: { least: 1700, greatest: 'this year' },
      }),
      makeField({ key: 'logo', label: 'Logo', type: 'picture', inTable: false }),
      makeField({
        key: 'shed',
        label: 'The shed',
        type: 'group',
        inTable: false,
        settings: {
          fields: [
            makeField({ key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } }),
            makeField({ key: 'heated', label: 'Heated', type: 'yes-no' }),
          ],
        },
      }),
      makeField({ key: 'phone', label: 'Phone', type: 'phone' }),
      makeField({ key: 'website', label: 'Website', type: 'web-address', inTable: false }),
    ],
  });
}

/** Where courses go that have begun. */
export const ARCHIVE: CategorySetDefinition = {
  slug: 'archive',
  label: 'Archive',
  categories: [makeCategory({ key: 'past-courses', label: 'Past courses', text: 'What was taught here before.' })],
};

export const courseKind = (archive: number): KindDefinition => {
  const made = kind({
    slug: 'courses',
    one: 'Course',
    many: 'Courses',
    icon: 'school',
    colour: '#7a5c86',
    intro: 'Courses on the water and ashore, for those who begin and those who go far.',
    addressPattern: [{ field: 'starts', as: 'year' }, { text: '/' }, { field: '@title' }],
    defaultOrder: [
      { by: '@featured', direction: 'down' },
      { by: 'field:starts', direction: 'up' },
    ],
    fields: [
      makeField({ key: 'starts', label: 'Starts', type: 'date', required: true }),
      makeField({ key: 'ends', label: 'Ends', type: 'date', required: true }),
      makeField({
        key: 'days',
        label: 'Days',
        type: 'computed',
        settings: { expression: 'ends - starts + 1' },
      }),
      makeField({ key: 'meets', label: 'First meeting', type: 'date-time', inTable: false }),
      makeField({
        key: 'level',
        label: 'Level',
        type: 'one-choice',
        searchWeight: 1,
        settings: { choices: choices(LEVELS) },
      }),
      makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR', least: 0 } }),
      makeField({ key: 'seats', label: 'Seats', type: 'whole-number', settings: { least: 1, greatest: 40 } }),
      makeField({ key: 'archive', label: 'Archive', type: 'categories', inTable: false, settings: { set: archive } }),
    ],
    // A course leaves the site when its first meeting begins.
    expiry: {
      countedFrom: { by: 'field', field: 'meets' },
      saysOver: true,
      consequences: [
        { key: 'ahead', days: -3, deed: { act: 'tell', to: ['office@merrowsound.example'] } },
        { key: 'past', days: 0, deed: { act: 'categorise', field: 'archive', add: ['past-courses'] } },
        { key: 'plain', days: 0, deed: { act: 'feature', featured: false } },
        { key: 'left', days: 0, deed: { act: 'tell', to: ['office@merrowsound.example'], manner: 'daily' } },
      ],
    },
  });
  return { ...made, facets: made.facets.filter(({ field }) => field !== 'archive') };
};

export const INSTRUCTOR_KIND: KindDefinition = kind(
  {
    slug: 'instructors',
    one: 'Instructor',
    many: 'Instructors',
    icon: 'person',
    colour: '#5d7a3a',
    intro: 'The people who teach here.',
    fields: [
      makeField({
        key: 'certificates',
        label: 'Certificates',
        type: 'several-choices',
        searchWeight: 1,
        settings: { choices: choices(CERTIFICATES) },
      }),
      makeField({
        key: 'languages',
        label: 'Languages',
        type: 'several-choices',
        searchWeight: 1,
        settings: { choices: choices(LANGUAGES) },
      }),
      makeField({
        key: 'years',
        label: 'Years of teaching',
        type: 'whole-number',
        settings: { least: 0, greatest: 60 },
      }),
      makeField({ key: 'email', label: 'E-mail', type: 'email' }),
    ],
  },
  asChips,
);
