import type { Listing } from '../listings/index.js';
import type { Field, KindDefinition, Picture } from '../structure/index.js';
import { fieldType } from '../structure/index.js';
import type { Formats } from '../values/index.js';
import type { CardModel, SlotModel } from './page-model.js';

/** The path of a listing's page. */
export function listingPath(kind: Pick<KindDefinition, 'slug'>, listing: Pick<Listing, 'slug'>): string {
  return `/${kind.slug}/${listing.slug}`;
}

/** How a listing looks in a list: lead picture, title, summary and the values that the kind puts on cards. */
export function cardOf(listing: Listing, kind: KindDefinition, formats: Formats): CardModel {
  return {
    id: listing.id,
    href: listingPath(kind, listing),
    title: listing.title,
    summary: listing.summary,
    picture: listing.picture,
    featured: listing.featured,
    slots: slotsOf(
      listing,
      kind.fields.filter((field) => field.onCard),
      formats,
    ),
  };
}

/** The values that a listing has in the given fields, each with its label; empty ones are left out. */
export function slotsOf(listing: Listing, fields: readonly Field[], formats: Formats): SlotModel[] {
  return fields
    .filter((field) => fieldType(field.type).holds(listing.values[field.key]))
    .map((field) => slotOf(field, listing.values[field.key], formats));
}

function slotOf(field: Field, value: unknown, formats: Formats): SlotModel {
  const type = fieldType(field.type);
  const slot = { key: field.key, label: field.label, icon: type.icon, text: type.format(value, field, formats) };
  switch (field.type) {
    case 'web-address':
      return { ...slot, shape: 'link', href: String(value) };
    case 'email':
      return { ...slot, shape: 'link', href: `mailto:${String(value)}` };
    case 'phone':
      return { ...slot, shape: 'link', href: `tel:${String(value).replace(/[^+\d]/g, '')}` };
    case 'picture':
      return { ...slot, shape: 'picture', picture: value as Picture };
    case 'long-text':
      return { ...slot, shape: 'long-text' };
    case 'place':
      return { ...slot, shape: 'place' };
    default:
      return { ...slot, shape: 'text' };
  }
}
