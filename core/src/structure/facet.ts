/** A visitor's control over one field, with counts. */
export type FacetControl = 'ticks' | 'yes-no' | 'range';

export interface Facet {
  /** Stands in the address: `?key=value,value`. */
  readonly key: string;
  readonly label: string;
  /** Key of the field it asks about. */
  readonly field: string;
  readonly control: FacetControl;
  /** Whether a listing must have any or all of the chosen values. */
  readonly join: 'any' | 'all';
  /** What happens to values with count 0; chosen ones always stay. */
  readonly zero: 'dim' | 'hide';
  readonly valueOrder: 'count' | 'label' | 'defined';
  /** How many values stand before "show all". */
  readonly shownFirst: number;
}

/** Names in a page's address that no facet may take. */
export const RESERVED_KEYS: readonly string[] = ['q', 'sort', 'page'];

/** Parts of a range in an address: `10..40`, `10..`, `..40`. */
export const RANGE_MARK = '..';
