import type { StructuredKind } from '../structured/structured-types.js';
import type { ExpiryRule, ExpirySketch } from '../expiry/expiry-rule.js';
import { makeExpiryRule } from '../expiry/expiry-rule.js';
import type { DateGrouping } from '../facets/date-grouping.js';
import { makeDateGrouping } from '../facets/date-grouping.js';
import type { Facet } from '../facets/facet.js';
import { makeFacet } from '../facets/facet.js';
import type { Field, FieldSketch } from '../fields/field.js';
import { makeField, withoutUndefined } from '../fields/field.js';
import type { OrderKey, SortChoice } from '../orders/sort-choice.js';
import type { AddressPart, AddressPattern } from './address-pattern.js';
import { makeAddressPart } from './address-pattern.js';
import { HOUSE_ORDER, presentOrder } from '../orders/sort-choice.js';

/** Fields shown together in the form, foldable. */
export interface FieldSection {
  readonly key: string;
  readonly label: string;
  /** Whether it starts folded. */
  readonly folded: boolean;
}

/** The parts that every listing can have beside its fields. */
export const BUILT_IN_PARTS = ['picture', 'summary', 'body', 'place', 'dates', 'author'] as const;
export type BuiltInPart = (typeof BUILT_IN_PARTS)[number];

/** Statuses in which a new listing can begin. */
export const START_STATUSES = ['draft', 'in-review', 'live', 'hidden'] as const;
export type StartStatus = (typeof START_STATUSES)[number];

/** How visitors come to further listings: pages with numbers, more below, or more by itself at the end. */
export const PAGERS = ['numbered', 'more', 'endless'] as const;
export type Pager = (typeof PAGERS)[number];

/** How changes are taken that the owner of a listing sends in. */
export const OWNERS_CHANGES = ['review', 'at-once'] as const;
export type OwnersChange = (typeof OWNERS_CHANGES)[number];

/** What a publisher says of a kind of listing. */
export interface KindDefinition {
  /** The part of the address that its index page has: `/berths`. */
  readonly slug: string;
  /** What one of it, and many of it, are called. */
  readonly one: string;
  readonly many: string;
  /** Name of an icon of the icon set, '' for none. */
  readonly icon: string;
  /** A colour to know it by in the Desk, as #rrggbb; '' for none. */
  readonly colour: string;
  /** A sentence above its index page. */
  readonly intro: string;
  /** Whether visitors see it. */
  readonly published: boolean;
  /** Not offered in the Desk's lists and not on the site; nothing of it is lost. */
  readonly putAside: boolean;
  /** Which built-in parts its listings have. */
  readonly parts: readonly BuiltInPart[];
  readonly hasIndexPage: boolean;
  readonly hasListingPages: boolean;
  /** What follows its slug in the addresses of its listings; null for the slug of each. */
  readonly addressPattern: AddressPattern | null;
  readonly startStatus: StartStatus;
  /** The order of its index page until a visitor chooses another. */
  readonly defaultOrder: readonly OrderKey[];
  readonly sections: readonly FieldSection[];
  readonly fields: readonly Field[];
  readonly facets: readonly Facet[];
  readonly sortChoices: readonly SortChoice[];
  /** Headings by a date on the index page; null for none. */
  readonly grouping: DateGrouping | null;
  /** When its listings leave by themselves; null for never. */
  readonly expiry: ExpiryRule | null;
  /** Listings a page. */
  readonly pageSize: number;
  readonly pager: Pager;
  /** Groups of words that the search takes for one another: "boatyard, shipyard". */
  readonly synonyms: readonly (readonly string[])[];
  /** Whether a change that the owner of a listing sends in waits for review, or is seen at once. */
  readonly ownersChange: OwnersChange;
  /** What its listings are for search engines; null for what Plindo takes them for. */
  readonly structured: StructuredKind | null;
}

/** A kind of listing as it is kept. */
export interface Kind extends KindDefinition {
  readonly id: number;
  /** Goes up by one at every change. */
  readonly version: number;
}

/** Whether visitors see a kind: it and its listings are on the site. */
export function isKindShown({ published, putAside }: Pick<KindDefinition, 'published' | 'putAside'>): boolean {
  return published && !putAside;
}

/** Whether the list of a kind has a page that visitors see. */
export function isListShown(kind: Pick<KindDefinition, 'published' | 'putAside' | 'hasIndexPage'>): boolean {
  return isKindShown(kind) && kind.hasIndexPage;
}

export const DEFAULT_PAGE_SIZE = 24;

type FacetSketch = Parameters<typeof makeFacet>[0];
type GroupingSketch = Parameters<typeof makeDateGrouping>[0];

/** What has to be said of a kind; the rest has defaults. */
export type KindSketch = Pick<KindDefinition, 'slug' | 'one' | 'many'> & {
  readonly fields?: readonly FieldSketch[];
  readonly facets?: readonly FacetSketch[];
  readonly grouping?: GroupingSketch | null;
  readonly expiry?: ExpirySketch | null;
  readonly addressPattern?: readonly Partial<AddressPart>[] | null;
} & Partial<Omit<KindDefinition, 'fields' | 'facets' | 'grouping' | 'expiry' | 'addressPattern'>>;

/** A definition with every property at its plain default but those given. */
export function makeKindDefinition(given: KindSketch): KindDefinition {
  const defaults: Omit<KindDefinition, 'slug' | 'one' | 'many' | 'fields'> = {
    icon: '',
    colour: '',
    intro: '',
    published: false,
    putAside: false,
    parts: ['picture', 'summary'],
    hasIndexPage: true,
    hasListingPages: true,
    addressPattern: null,
    startStatus: 'draft',
    defaultOrder: HOUSE_ORDER,
    sections: [],
    facets: [],
    sortChoices: [],
    grouping: null,
    expiry: null,
    pageSize: DEFAULT_PAGE_SIZE,
    pager: 'numbered',
    synonyms: [],
    ownersChange: 'review',
    structured: null,
  };
  return {
    ...defaults,
    ...withoutUndefined(given),
    fields: (given.fields ?? []).map(makeField),
    defaultOrder: presentOrder(given.defaultOrder ?? HOUSE_ORDER),
    sortChoices: (given.sortChoices ?? []).map((choice) => ({ ...choice, order: presentOrder(choice.order) })),
    facets: (given.facets ?? []).map(makeFacet),
    grouping: given.grouping ? makeDateGrouping(given.grouping) : null,
    expiry: given.expiry ? makeExpiryRule(given.expiry) : null,
    addressPattern: given.addressPattern?.length ? given.addressPattern.map(makeAddressPart) : null,
  };
}

export function fieldByKey(kind: Pick<KindDefinition, 'fields'>, key: string): Field | undefined {
  return kind.fields.find((field) => field.key === key);
}

export function hasPart({ parts }: Pick<KindDefinition, 'parts'>, part: BuiltInPart): boolean {
  return parts.includes(part);
}
