import type { Kind } from '../structure/index.js';
import type { CatalogPlace } from './catalog-place.js';
import type { KeptBuiltIn } from './columns/built-in-columns.js';
import type { KeptField } from './columns/field-columns.js';
import type { KeptPresence } from './presence.js';
import type { KeptTexts } from './text/known-texts.js';
import { textMark } from './text/known-texts.js';

/** All that a catalog holds, as a plain value that can be kept or sent to a worker. By row where nothing else is said. */
export interface KeptCatalog {
  /** Of what the columns depend on beside the listings; other marks don't fit. */
  readonly mark: string;
  readonly rows: number;
  readonly idsAscend: boolean;
  /** Its length is the capacity of all columns. */
  readonly ids: Float64Array;
  readonly statuses: Uint8Array;
  readonly stamps: Float64Array;
  readonly slugs: readonly string[];
  /** Only those that are not the slug. */
  readonly addresses: ReadonlyMap<number, string>;
  /** The words of the set of rows whose listings exist. */
  readonly existing: Uint32Array;
  readonly onSite: KeptPresence;
  readonly left: KeptPresence;
  readonly featured: KeptPresence;
  readonly builtIn: KeptBuiltIn;
  /** By the key of the field. */
  readonly fields: ReadonlyMap<string, KeptField>;
  readonly text: KeptTexts;
}

/** Goes up when catalogs hold something else than before. */
const MADE = 2;

/** Changes whenever the columns of a kind's catalog, or what is read into them, would be others. */
export function catalogMark(
  { fields, expiry }: Pick<Kind, 'fields' | 'expiry'>,
  { locale, zone }: CatalogPlace,
): string {
  const traits = fields.map(({ key, type, settings, searchWeight }) => {
    return { key, type, settings, searchWeight };
  });
  // What a rule does to listings after they have left has no effect on when they leave.
  const leaving = expiry && [expiry.byDefault, expiry.countedFrom, expiry.offset, zone];
  return JSON.stringify([MADE, locale, textMark(), traits, leaving]);
}
