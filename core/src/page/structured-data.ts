import { makeValueInText } from '../design/index.js';
import type { LinkedListing, Place, StructuredForm, StructuredProperty } from '../structure/index.js';
import { structuredKind, structuredTypeOf } from '../structure/index.js';
import { minorDigits } from '../values/index.js';
import { listingPath, wordsOf } from './cards/slot-value.js';
import type { ReachedValue, ShownListing } from './cards/reached-values.js';
import { reachedValues } from './cards/reached-values.js';
import type { PageLink } from './frame-model.js';

/** A node of JSON-LD. */
export type StructuredNode = Readonly<Record<string, unknown>>;

const CONTEXT = 'https://schema.org';
const PICTURE_WIDTH = 1600;
const MOST_VALUES = 10;
const LONGEST_TEXT = 500;

/** UN/ECE Recommendation 20, "Codes for Units of Measure", which schema.org's unitCode takes. */
const UNIT_CODES: Readonly<Record<string, string>> = {
  ...{ m: 'MTR', cm: 'CMT', mm: 'MMT', km: 'KMT', ft: 'FOT', in: 'INH', mi: 'SMI', nmi: 'NMI' },
  ...{
    m2: 'MTK',
    ft2: 'FTK',
    ha: 'HAR',
    kg: 'KGM',
    g: 'GRM',
    t: 'TNE',
    lb: 'LBR',
    l: 'LTR',
    kW: 'KWT',
    W: 'WTT',
    V: 'VLT',
  },
};

/** The text of a script of JSON-LD (W3C): nothing in it can end the script. */
export function structuredText(nodes: readonly StructuredNode[]): string {
  if (nodes.length === 0) return '';
  return JSON.stringify({ '@context': CONTEXT, '@graph': nodes }).replaceAll('<', '\\u003c');
}

/** What a listing is for search engines, by what its kind says or looks like; null for nothing. `origin` is where the site stands. */
export function structuredListing(shown: ShownListing, origin: string): StructuredNode | null {
  const { kind, listing } = shown;
  const { type, fields } = structuredKind(kind);
  if (type === '') return null;
  const url = origin + listingPath(kind, listing);
  const text = (field: string): string => plainText(field, shown);
  const node: Record<string, unknown> = { '@type': type, '@id': url, url, ...named(type, listing.title) };
  const description = text('@summary') || text('@body');
  if (description !== '') node['description'] = description;
  const pictures = picturesOf(shown, origin);
  if (pictures.length > 0) node['image'] = pictures;
  for (const property of structuredTypeOf(type).properties) {
    const field = fields[property.name];
    const value = field === undefined ? undefined : valueOf(property, field, shown, origin);
    if (value !== undefined) put(node, property, value);
  }
  if (type === 'Article' && listing.publishedAt !== null) node['datePublished'] = isoMoment(listing.publishedAt);
  if (type === 'JobPosting' && listing.publishedAt !== null) node['datePosted'] = isoMoment(listing.publishedAt);
  return node;
}

/** The way from the home page to a page. */
export function structuredTrail(links: readonly PageLink[], origin: string): StructuredNode | null {
  if (links.length < 2) return null;
  return { '@type': 'BreadcrumbList', itemListElement: links.map((link, at) => listItem(link, at, origin)) };
}

/** A list as it is shown. */
export function structuredList(links: readonly PageLink[], origin: string): StructuredNode | null {
  return links.length === 0
    ? null
    : { '@type': 'ItemList', itemListElement: links.map((link, at) => listItem(link, at, origin)) };
}

/** The site as a whole. */
export function structuredSite(
  site: { readonly name: string; readonly tagline: string },
  origin: string,
): StructuredNode {
  return { '@type': 'WebSite', name: site.name, url: `${origin}/`, ...(site.tagline && { description: site.tagline }) };
}

function listItem({ label, href }: PageLink, at: number, origin: string): StructuredNode {
  return { '@type': 'ListItem', position: at + 1, name: label, ...(href !== '' && { item: origin + href }) };
}

/** A job has a title, an article a headline; everything has a name. */
function named(type: string, title: string): StructuredNode {
  if (type === 'JobPosting') return { title };
  return type === 'Article' ? { name: title, headline: title } : { name: title };
}

function put(node: Record<string, unknown>, { name, within }: StructuredProperty, value: unknown): void {
  if (!within) node[name] = value;
  else node[within.name] = { '@type': within.type, ...(node[within.name] as object | undefined), [name]: value };
}

function valueOf({ as }: StructuredProperty, field: string, shown: ShownListing, origin: string): unknown {
  const reached = reachedValues(makeValueInText({ field }), shown).slice(0, MOST_VALUES);
  const values = reached.flatMap((one) => WRITERS[as](one, { field, shown, origin }) ?? []);
  return values.length > 1 ? values : values[0];
}

interface Writing {
  readonly field: string;
  readonly shown: ShownListing;
  readonly origin: string;
}

const WRITERS: Readonly<Record<StructuredForm, (reached: ReachedValue, writing: Writing) => unknown>> = {
  text: (_, { field, shown }) => plainText(field, shown) || undefined,
  address: ({ field, value }, { field: key, shown }) =>
    (field.type === 'place' ? (value as Place).address : plainText(key, shown)) || undefined,
  coordinates: ({ value }) => pointOf(value as Place),
  place: ({ field, value }, writing) => placeOf(field.type, value, writing),
  date: ({ value }) => String(value),
  offer({ value }) {
    const { minor, currency } = value as { readonly minor: number; readonly currency: string };
    return { '@type': 'Offer', price: priceText(minor, currency), priceCurrency: currency };
  },
  quantity({ field, value }) {
    const code = UNIT_CODES[field.settings.unit ?? ''];
    return { '@type': 'QuantitativeValue', value: Number(value), ...(code && { unitCode: code }) };
  },
  person: (reached, writing) => thingOf('Person', reached, writing),
  organisation: (reached, writing) => thingOf('Organization', reached, writing),
};

function pointOf({ latitude, longitude }: Place): StructuredNode {
  return { '@type': 'GeoCoordinates', latitude, longitude };
}

function placeOf(type: string, value: unknown, writing: Writing): unknown {
  if (type !== 'place') return thingOf('Place', { value }, writing);
  const place = value as Place;
  return { '@type': 'Place', ...(place.address && { address: place.address }), geo: pointOf(place) };
}

/** Something that has a name: a listing that is linked, with its page, or words. */
function thingOf(type: string, { value }: Pick<ReachedValue, 'value'>, { field, shown, origin }: Writing): unknown {
  if (Array.isArray(value)) {
    const linked = value as readonly LinkedListing[];
    return linked.map(({ title, href }) => ({
      '@type': type,
      name: title,
      ...(href !== null && { url: origin + href }),
    }));
  }
  const name = plainText(field, shown);
  return name === '' ? undefined : { '@type': type, name };
}

function plainText(field: string, shown: ShownListing): string {
  const text = wordsOf([makeValueInText({ field })], shown)?.text ?? '';
  return text.replace(/\s+/g, ' ').trim().slice(0, LONGEST_TEXT);
}

function picturesOf({ listing: { picture } }: ShownListing, origin: string): string[] {
  return picture ? [`${origin}/pictures/${picture.hash}-${PICTURE_WIDTH}.jpeg`] : [];
}

function isoMoment(ms: number): string {
  return new Date(ms).toISOString();
}

/** Money is kept in its smallest units. */
function priceText(minor: number, currency: string): string {
  const digits = minorDigits(currency);
  return (minor / 10 ** digits).toFixed(digits);
}
