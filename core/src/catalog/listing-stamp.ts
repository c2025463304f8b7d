import type { Listing } from '../listings/index.js';
import type { Field } from '../structure/index.js';
import { PrintHash } from './print-hash.js';

/** What of a listing its stamp is made of; among the values are those of links. */
export type Stamped = Pick<Listing, 'version' | 'changedAt' | 'values'>;

/**
 * Of the state of a listing and of those that it is linked with, 53 bits: a listing with the same stamp as before is
 * taken to be as it was.
 */
export function stampOf({ version, changedAt, values }: Stamped, fields: readonly Field[]): number {
  const hash = new PrintHash().add(`${version} ${changedAt}`);
  for (const { key, type } of fields) {
    if (type === 'link' && values[key] !== undefined) hash.add(key).add(JSON.stringify(values[key]));
  }
  return hash.value();
}
