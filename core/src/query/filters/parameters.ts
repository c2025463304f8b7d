import type { Catalog } from '../../catalog/index.js';
import { YES } from '../../catalog/index.js';
import type { ColumnNumber } from '../../listings/index.js';
import type { FieldTest } from '../../structure/index.js';
import { isParameter } from '../../structure/index.js';
import type { QueryScene } from './scene.js';

/** What a page gives to the conditions that stand on it. */
export interface PageParameters {
  /** Number of the listing whose page it is. */
  readonly listing: number | null;
  /** Key of the category whose page it is. */
  readonly category: string | null;
  /** The day that it is about, as 2026-12-04. */
  readonly date: string | null;
}

export const NO_PARAMETERS: PageParameters = { listing: null, category: null, date: null };

/** A test with what the page gives in the place of its parameter; null when the page doesn't give it. */
export function withParameters(
  test: FieldTest,
  catalog: Catalog,
  { scene, parameters }: { readonly scene: QueryScene; readonly parameters: PageParameters },
): FieldTest | null {
  if (!isParameter(test.value)) return test;
  const { parameter } = test.value;
  const value =
    parameter === 'listing' ? valueOfListing(test.field, catalog, scene, parameters) : parameters[parameter];
  return value === null || value === undefined ? null : { ...test, value };
}

/** The value that the page's listing has of the same field, as it is compared. */
function valueOfListing(key: string, own: Catalog, scene: QueryScene, { listing }: PageParameters): unknown {
  if (listing === null) return null;
  // The listing may be of another kind, which has a field of the same key.
  const catalog =
    own.rowOf(listing) === undefined ? scene.catalogs().find((one) => one.rowOf(listing) !== undefined) : own;
  const row = catalog?.rowOf(listing);
  const column = catalog?.column(key);
  if (row === undefined || !column?.hasAny(row)) return null;
  switch (column.kind) {
    case 'choices':
      return column.keysAt(row);
    case 'text':
      return column.textAt(row);
    case 'number':
      return { inColumn: column.values[row]! } satisfies ColumnNumber;
    case 'yes-no':
      return column.values[row] === YES ? 'yes' : 'no';
    case 'place': {
      const point = column.pointAt(row);
      return point && `${point.latitude},${point.longitude}`;
    }
  }
}
