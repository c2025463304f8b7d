import type { Listing } from '../listings/index.js';
import { isFeatured, isShown } from '../listings/index.js';
import type { Field, KeptFile, KindDefinition, LinkedListing, Picture, ReadContext } from '../structure/index.js';
import { fieldType, starsOf } from '../structure/index.js';
import type { Formats } from '../values/index.js';
import { metStretches } from './marks.js';
import type { CardModel, RowsModel, SlotModel } from './page-model.js';

/** The path of a listing's page. */
export function listingPath(kind: Pick<KindDefinition, 'slug'>, listing: Pick<Listing, 'slug'>): string {
  return `/${kind.slug}/${listing.slug}`;
}

/** The path of a kept file; its name is for people, the hash finds it. */
export function filePath({ hash, name }: Pick<KeptFile, 'hash' | 'name'>): string {
  return `/files/${hash}/${encodeURIComponent(name)}`;
}

/** What a card says of the page that it stands on, beside its listing. */
export interface CardExtras {
  /** The words of a search, to mark what met them. */
  readonly search?: string;
  /** How far the listing is from the place that the visitor named. */
  readonly distance?: string;
}

/** How a listing looks in a list: lead picture, title, summary and the values that the kind puts on cards. */
export function cardOf(
  listing: Listing,
  kind: KindDefinition,
  context: ReadContext,
  { search = '', distance = '' }: CardExtras = {},
): CardModel {
  const summary = kind.parts.includes('summary') ? listing.summary : '';
  return {
    id: listing.id,
    href: kind.hasListingPages ? listingPath(kind, listing) : null,
    title: listing.title,
    summary,
    marks: marksOf(listing.title, summary, search, kind),
    distance,
    picture: kind.parts.includes('picture') ? listing.picture : null,
    hasPictures: kind.parts.includes('picture'),
    featured: isFeatured(listing, context.nowInMs),
    slots: slotsOf(listing, kind, context, ({ onCard }) => onCard),
  };
}

function marksOf(title: string, summary: string, search: string, kind: KindDefinition): CardModel['marks'] {
  if (search === '') return null;
  return { title: metStretches(title, search, kind), summary: metStretches(summary, search, kind) };
}

/** The values of a listing that are shown, each with its label; empty ones and those not to be shown are left out. */
export function slotsOf(
  listing: Listing,
  kind: KindDefinition,
  context: ReadContext,
  chosen: (field: Field) => boolean = () => true,
): SlotModel[] {
  return kind.fields
    .filter((field) => chosen(field) && fieldType(field.type).holds(listing.values[field.key]))
    .filter((field) => isShown(field, listing.values, kind, context))
    .map((field) => ({ field, value: visible(listing.values[field.key], field) }))
    .filter(({ value }) => !Array.isArray(value) || value.length > 0)
    .map(({ field, value }) => slotOf(field, value, context.formats));
}

/** A value as visitors may see it: linked listings that are not on the site are left out. */
function visible(value: unknown, { type }: Field): unknown {
  return type === 'link' ? (value as readonly LinkedListing[]).filter(({ onSite }) => onSite) : value;
}

/** One value with its label, in the shape that its type is shown in. */
export function slotOf(field: Field, value: unknown, formats: Formats): SlotModel {
  const type = fieldType(field.type);
  const slot = { key: field.key, label: field.label, icon: type.icon, text: type.format(value, field, formats) };
  switch (field.type) {
    case 'web-address':
      return { ...slot, shape: 'link', href: String(value) };
    case 'email':
      return { ...slot, shape: 'link', href: `mailto:${String(value)}` };
    case 'phone':
      return { ...slot, shape: 'link', href: `tel:${String(value).replace(/[^+\d]/g, '')}` };
    case 'file':
      return { ...slot, shape: 'file', href: filePath(value as KeptFile) };
    case 'picture':
      return { ...slot, shape: 'pictures', pictures: [value as Picture] };
    case 'pictures':
      return { ...slot, shape: 'pictures', pictures: value as readonly Picture[] };
    case 'long-text':
      return { ...slot, shape: 'long-text' };
    case 'rich-text':
      return { ...slot, shape: 'rich-text', html: String(value) };
    case 'place':
      return { ...slot, shape: 'place' };
    case 'colour':
      return { ...slot, shape: 'colour', colour: String(value) };
    case 'link':
      return { ...slot, shape: 'links', links: linksOf(value as readonly LinkedListing[]) };
    case 'rating':
      return { ...slot, shape: 'rating', stars: { given: Number(value), of: starsOf(field) } };
    case 'group':
      return { ...slot, shape: 'group', parts: partSlots(field, value, formats)[0] ?? [] };
    case 'rows':
      return { ...slot, shape: 'rows', rows: rowsModel(field, value, formats) };
    default:
      return { ...slot, shape: 'text' };
  }
}

function linksOf(linked: readonly LinkedListing[]): NonNullable<SlotModel['links']> {
  return linked.map(({ title, href, note }) => ({ text: title, href, note }));
}

function partSlots(field: Field, value: unknown, formats: Formats): SlotModel[][] {
  const entries = fieldType(field.type).parts?.(value, field) ?? [];
  return entries.map((parts) => parts.map((part) => slotOf(part.field, part.value, formats)));
}

/** Rows as a table: the subfields in which anything stands are its columns. */
function rowsModel(field: Field, value: unknown, formats: Formats): RowsModel {
  const rows = partSlots(field, value, formats);
  const used = (field.settings.fields ?? []).filter(({ key }) =>
    rows.some((row) => row.some((slot) => slot.key === key)),
  );
  return {
    columns: used.map(({ key, label }) => ({ key, label })),
    rows: rows.map((row) => used.map(({ key }) => row.find((slot) => slot.key === key)?.text ?? '')),
  };
}
