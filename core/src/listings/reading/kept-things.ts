import type { Field, KeptFile, Picture } from '../../structure/index.js';
import { asFile, asPicture, entriesIn, hasSubfields, subfieldsOf } from '../../structure/index.js';
import type { ListingContent, Values } from '../listing.js';

/** A picture or file that a listing refers to, and where: label and key of the outermost field. */
export interface Reference<Thing> {
  readonly label: string;
  readonly key: string;
  readonly thing: Thing;
}

export interface KeptThings {
  readonly pictures: readonly Reference<Picture>[];
  readonly files: readonly Reference<KeptFile>[];
}

/** All pictures and files that a listing refers to, those inside groups and rows too. */
export function keptThingsOf(
  content: Pick<ListingContent, 'picture' | 'values'>,
  fields: readonly Field[],
): KeptThings {
  const pictures: Reference<Picture>[] = [];
  const files: Reference<KeptFile>[] = [];
  if (content.picture) pictures.push({ label: 'Lead picture', key: 'picture', thing: content.picture });
  for (const { field, value } of leavesOf(content.values, fields)) {
    const where = { label: field.label, key: field.key };
    for (const one of Array.isArray(value) ? (value as readonly unknown[]) : [value]) {
      const picture = field.type === 'picture' || field.type === 'pictures' ? asPicture(one) : null;
      const file = field.type === 'file' ? asFile(one) : null;
      if (picture) pictures.push({ ...where, thing: picture });
      if (file) files.push({ ...where, thing: file });
    }
  }
  return { pictures, files };
}

/** The values of all fields that have none inside, each under the key of its outermost field. */
function leavesOf(values: Values, fields: readonly Field[], outer?: string): { field: Field; value: unknown }[] {
  return fields.flatMap((field) => {
    const value = values[field.key];
    if (value == null) return [];
    const key = outer ?? field.key;
    const inner = subfieldsOf(field);
    if (hasSubfields(field)) return entriesIn(value).flatMap((entry) => leavesOf(entry, inner, key));
    return [{ field: { ...field, key }, value }];
  });
}
