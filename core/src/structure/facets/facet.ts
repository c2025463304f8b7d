import type { DistanceUnit } from '../../values/index.js';

export const FACET_CONTROLS = [
  'ticks',
  'drop-down',
  'chips',
  'tree',
  'yes-no',
  'range',
  'dates',
  'letters',
  'rating',
  'distance',
] as const;
/** How visitors use a facet. */
export type FacetControl = (typeof FACET_CONTROLS)[number];

/** A visitor's control over one property, with counts. */
export interface Facet {
  /** Stands in the address: `?key=value,value`. */
  readonly key: string;
  readonly label: string;
  /** Keys of the link fields through which the property is reached, up to two; none for the listing's own. */
  readonly through: readonly string[];
  /** Key of the field it asks about, of the listing or of those reached; "@title" and "@place" are built in. */
  readonly field: string;
  readonly control: FacetControl;
  /** Whether a listing must have any or all of the chosen values. */
  readonly join: 'any' | 'all';
  /** What happens to values with count 0; chosen ones always stay. */
  readonly zero: 'dim' | 'hide';
  readonly valueOrder: 'count' | 'label' | 'defined';
  /** How many values stand before "show all". */
  readonly shownFirst: number;
  /** Whether it is unfolded when the page opens; one with something chosen always is. */
  readonly startsOpen: boolean;
  /** Shown only while something is chosen in another facet, or a certain value of it. */
  readonly dependsOn: { readonly facet: string; readonly value: string | null } | null;
  /** Of a distance. */
  readonly unit: DistanceUnit;
}

export const DEFAULT_SHOWN_FIRST = 8;

/** A facet with every property at its plain default but those given; always in the same order of properties. */
export function makeFacet(given: Pick<Facet, 'key' | 'label' | 'field'> & Partial<Facet>): Facet {
  return {
    key: given.key,
    label: given.label,
    through: given.through ?? [],
    field: given.field,
    control: given.control ?? 'ticks',
    join: given.join ?? 'any',
    zero: given.zero ?? 'dim',
    valueOrder: given.valueOrder ?? 'count',
    shownFirst: given.shownFirst ?? DEFAULT_SHOWN_FIRST,
    startsOpen: given.startsOpen ?? true,
    dependsOn: given.dependsOn ?? null,
    unit: given.unit ?? 'km',
  };
}

/** Whether a control chooses among values, each with a count. */
export function choosesValues(control: FacetControl): boolean {
  return ['ticks', 'drop-down', 'chips', 'tree', 'yes-no', 'letters'].includes(control);
}

/** Whether only one value can be chosen at a time. */
export function isSingle(control: FacetControl): boolean {
  return control === 'drop-down';
}

export const MOST_STEPS = 2;

/** Names in a page's address that no facet may take. */
export const RESERVED_KEYS: readonly string[] = ['q', 'sort', 'page', 'shown', 'map'];

/** Parts of a range in an address: `10..40`, `10..`, `..40`. */
export const RANGE_MARK = '..';
