import { makeValueInText } from '../../design/index.js';
import type { Picture } from '../../structure/index.js';
import type { ShownListing } from '../cards/reached-values.js';
import { reachedValues } from '../cards/reached-values.js';

/** The pictures of a listing in some fields, in their order, each once. */
export function picturesOf(fields: readonly string[], shown: ShownListing | null): Picture[] {
  if (!shown) return [];
  const values = fields.flatMap((field) => reachedValues(makeValueInText({ field }), shown));
  const pictures = values.flatMap(({ value }) => value as Picture | readonly Picture[]);
  return [...new Map(pictures.map((picture) => [picture.hash, picture])).values()];
}
