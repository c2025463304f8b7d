import type { Listing } from '../listings/index.js';
import { isShown } from '../listings/index.js';
import type { Field, KindDefinition, LinkedListing, ReadContext } from '../structure/index.js';
import { fieldType } from '../structure/index.js';
import { slotOf } from './cards/value-models.js';
import type { SlotModel } from './cards/value-model.js';

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
