import type { FieldTypeName } from '../field-types/names.js';
import type { FieldRole } from '../roles/field-roles.js';

/** How a value is written for search engines; the values of schema.org's properties are of these sorts. */
export type StructuredForm =
  'text' | 'address' | 'date' | 'place' | 'coordinates' | 'offer' | 'quantity' | 'person' | 'organisation';

/** A property of a type of schema.org, and which fields can fill it. */
export interface StructuredProperty extends FieldRole {
  /** As schema.org calls it. */
  readonly name: string;
  readonly as: StructuredForm;
  /** The property, and its type, inside which it stands: an instance of a course. */
  readonly within?: { readonly name: string; readonly type: string };
}

/** A type of schema.org that the listings of a kind can be. `isNeeded` marks what search engines require of it. */
export interface StructuredType {
  readonly label: string;
  /** Words of what kinds are called that it is for. */
  readonly kinds: readonly string[];
  readonly properties: readonly StructuredProperty[];
}

const TEXTS: readonly FieldTypeName[] = [
  'short-text',
  'long-text',
  'rich-text',
  'one-choice',
  'several-choices',
  'link',
];
const DATES: readonly FieldTypeName[] = ['date', 'date-time'];

const address: StructuredProperty = {
  ...{ name: 'address', label: 'an address', as: 'address', types: ['place'], hinted: ['short-text', 'long-text'] },
  hints: ['address', 'street', 'adresse', 'strasse', 'anschrift'],
};
const geo: StructuredProperty = { name: 'geo', label: 'a place', as: 'coordinates', types: ['place'] };
const telephone: StructuredProperty = { name: 'telephone', label: 'a telephone number', as: 'text', types: ['phone'] };
const email: StructuredProperty = { name: 'email', label: 'an e-mail address', as: 'text', types: ['email'] };
const sameAs: StructuredProperty = { name: 'sameAs', label: 'a web address', as: 'text', types: ['web-address'] };
const offers: StructuredProperty = { name: 'offers', label: 'a price', as: 'offer', types: ['money'] };
const hours: StructuredProperty = {
  ...{ name: 'openingHours', label: 'opening hours', as: 'text', types: [], hinted: TEXTS },
  hints: ['hours', 'opening', 'open', 'öffnungszeiten', 'geöffnet'],
};
const where: StructuredProperty = {
  ...{
    name: 'location',
    label: 'a place',
    as: 'place',
    types: ['place'],
    hinted: ['link', 'short-text', 'one-choice'],
  },
  hints: ['where', 'place', 'location', 'venue', 'harbour', 'site', 'ort', 'wo'],
};
const starts: StructuredProperty = {
  ...{ name: 'startDate', label: 'a date on which it begins', as: 'date', types: DATES },
  hints: ['start', 'starts', 'begins', 'from', 'beginn', 'ab'],
};
const ends: StructuredProperty = {
  ...{ name: 'endDate', label: 'a date on which it ends', as: 'date', types: [], hinted: DATES },
  hints: ['end', 'ends', 'until', 'to', 'ende', 'bis'],
};
const brand: StructuredProperty = {
  ...{ name: 'brand', label: 'a maker', as: 'text', types: [], hinted: TEXTS },
  hints: ['brand', 'make', 'maker', 'marke', 'hersteller'],
};

function hinted(
  name: string,
  label: string,
  hints: readonly string[],
  as: StructuredForm = 'text',
): StructuredProperty {
  const types: readonly FieldTypeName[] = as === 'quantity' ? ['measure', 'decimal', 'whole-number'] : TEXTS;
  return { name, label, as, types: [], hinted: types, hints };
}

/** Inside an instance of a course; people are taught in it, or by it. */
const INSTANCE = { name: 'hasCourseInstance', type: 'CourseInstance' };

/**
 * The types that kinds can be given, by their names at schema.org. What search engines require follows the pages on
 * structured data of their guides for publishers, from memory: it is advice here, and stands in nobody's way.
 */
export const STRUCTURED_TYPES = {
  LocalBusiness: {
    label: 'a business',
    kinds: [
      'business',
      'businesses',
      'shop',
      'boatyard',
      'boatyards',
      'yard',
      'restaurant',
      'clinic',
      'firm',
      'betrieb',
    ],
    properties: [{ ...address, isNeeded: true }, geo, telephone, email, sameAs, hours],
  },
  Place: {
    label: 'a place',
    kinds: ['place', 'places', 'harbour', 'harbours', 'park', 'beach', 'museum', 'town', 'city', 'ort', 'orte'],
    properties: [geo, address, telephone, sameAs],
  },
  Accommodation: {
    label: 'a place to stay',
    kinds: ['berth', 'berths', 'room', 'rooms', 'cabin', 'flat', 'apartment', 'house', 'pitch', 'zimmer', 'wohnung'],
    properties: [
      address,
      hinted('numberOfRooms', 'how many rooms', ['rooms', 'zimmer', 'bedrooms'], 'quantity'),
      hinted('occupancy', 'how many it is for', ['guests', 'persons', 'people', 'sleeps', 'personen'], 'quantity'),
      hinted('floorSize', 'its size', ['size', 'area', 'floor', 'fläche', 'grösse'], 'quantity'),
      geo,
      telephone,
    ],
  },
  Event: {
    label: 'an event',
    kinds: ['event', 'events', 'concert', 'concerts', 'fair', 'regatta', 'veranstaltung', 'veranstaltungen'],
    properties: [
      { ...starts, isNeeded: true },
      ends,
      { ...where, isNeeded: true },
      offers,
      { ...hinted('organizer', 'who holds it', ['organizer', 'organiser', 'host', 'veranstalter'], 'organisation') },
    ],
  },
  Course: {
    label: 'a course',
    kinds: ['course', 'courses', 'class', 'classes', 'workshop', 'workshops', 'training', 'kurs', 'kurse'],
    properties: [
      {
        ...{ name: 'provider', label: 'who holds it', as: 'organisation', types: [], hinted: TEXTS, isNeeded: true },
        hints: ['provider', 'school', 'held', 'veranstalter', 'schule', 'harbour', 'hafen'],
      },
      offers,
      { ...starts, within: INSTANCE },
      { ...ends, within: INSTANCE },
      { ...where, within: INSTANCE },
      {
        ...{ name: 'instructor', label: 'who teaches it', as: 'person', types: [], hinted: TEXTS, within: INSTANCE },
        hints: ['taught', 'teacher', 'instructor', 'instructors', 'lehrer', 'dozent'],
      },
    ],
  },
  Person: {
    label: 'a person',
    kinds: [
      'person',
      'people',
      'instructor',
      'instructors',
      'doctor',
      'physician',
      'physicians',
      'team',
      'member',
      'arzt',
    ],
    properties: [
      hinted('jobTitle', 'what the person does', ['job', 'role', 'title', 'profession', 'specialty', 'beruf']),
      telephone,
      email,
      sameAs,
      hinted('knowsLanguage', 'languages', ['language', 'languages', 'sprache', 'sprachen']),
      { ...hinted('worksFor', 'for whom', ['company', 'firm', 'works', 'employer', 'practice'], 'organisation') },
    ],
  },
  Product: {
    label: 'a product',
    kinds: ['product', 'products', 'article', 'item', 'items', 'goods', 'produkt', 'produkte'],
    properties: [
      { ...offers, isNeeded: true },
      brand,
      {
        name: 'sku',
        label: 'a number',
        as: 'text',
        types: ['reference'],
        hinted: ['short-text'],
        hints: ['sku', 'number'],
      },
      hinted('weight', 'its weight', ['weight', 'gewicht'], 'quantity'),
    ],
  },
  Vehicle: {
    label: 'a vehicle',
    kinds: ['vehicle', 'vehicles', 'car', 'cars', 'boat', 'boats', 'van', 'vans', 'motorbike', 'auto', 'autos', 'boot'],
    properties: [
      offers,
      brand,
      hinted('model', 'its model', ['model', 'modell']),
      hinted('vehicleModelDate', 'its year', ['year', 'built', 'baujahr', 'jahr']),
      hinted('mileageFromOdometer', 'how far it has gone', ['mileage', 'miles', 'kilometres', 'km'], 'quantity'),
      hinted('fuelType', 'its fuel', ['fuel', 'kraftstoff']),
    ],
  },
  JobPosting: {
    label: 'a job',
    kinds: ['job', 'jobs', 'vacancy', 'vacancies', 'position', 'stelle', 'stellen'],
    properties: [
      {
        ...{
          name: 'hiringOrganization',
          label: 'who hires',
          as: 'organisation',
          types: [],
          hinted: TEXTS,
          isNeeded: true,
        },
        hints: ['company', 'employer', 'firm', 'organisation', 'organization', 'firma', 'arbeitgeber'],
      },
      { ...where, name: 'jobLocation', isNeeded: true },
      { ...ends, name: 'validThrough', label: 'until when' },
      hinted('employmentType', 'full or part time', ['employment', 'hours', 'time', 'umfang']),
    ],
  },
  Article: {
    label: 'something to read',
    kinds: ['guide', 'guides', 'article', 'articles', 'post', 'posts', 'news', 'artikel', 'beitrag'],
    properties: [],
  },
} as const satisfies Record<string, StructuredType>;

export type StructuredTypeName = keyof typeof STRUCTURED_TYPES;
export const STRUCTURED_TYPE_NAMES = Object.keys(STRUCTURED_TYPES) as readonly StructuredTypeName[];

export function structuredTypeOf(name: StructuredTypeName): StructuredType {
  return STRUCTURED_TYPES[name];
}

/** What the listings of a kind are for search engines: a type of schema.org, and which field fills which property. */
export interface StructuredKind {
  /** '' for nothing at all. */
  readonly type: StructuredTypeName | '';
  /** By the name of a property, the key of a field; properties that are left out stay empty. */
  readonly fields: Readonly<Record<string, string>>;
}
