import type { FieldTypeName, Picture, Place } from '../structure/index.js';

/** The stored statuses; Upcoming and Expired are computed from times and never stored. */
export const STATUSES = ['draft', 'in-review', 'live', 'hidden', 'binned'] as const;
export type Status = (typeof STATUSES)[number];

export const STATUS_LABELS: Readonly<Record<Status, string>> = {
  draft: 'Draft',
  'in-review': 'In review',
  live: 'Live',
  hidden: 'Hidden',
  binned: 'Binned',
};

/** Typed values by field key; a field without a value is absent. */
export type Values = Readonly<Record<string, unknown>>;

/** A value that a change of its field's type could not convert: kept as text until somebody sees to it. */
export interface AsideValue {
  readonly type: FieldTypeName;
  readonly text: string;
}

/** What an editor says of a listing. */
export interface ListingContent {
  readonly slug: string;
  readonly title: string;
  /** One paragraph; '' when there is none. */
  readonly summary: string;
  readonly picture: Picture | null;
  /** Rich text; '' when there is none. */
  readonly body: string;
  readonly place: Place | null;
  /** Who wrote it, for readers; '' when it isn't said. */
  readonly author: string;
  readonly values: Values;
  readonly status: Status;
  readonly featured: boolean;
  /** By field key, what is kept aside. */
  readonly aside: Readonly<Record<string, AsideValue>>;
  /** Lower first; null when the listing has no place of its own. */
  readonly handOrder: number | null;
}

/** One record of a kind. Moments are milliseconds since 1970. */
export interface Listing extends ListingContent {
  readonly id: number;
  readonly kindId: number;
  readonly version: number;
  readonly createdAt: number;
  readonly changedAt: number;
  /** When it was put into the bin; null when it isn't there. */
  readonly binnedAt: number | null;
}

/** What an editor said of a listing, without what the store adds to it. */
export function contentOf(listing: Listing): ListingContent {
  const { id: _, kindId: __, version: ___, createdAt: ____, changedAt: _____, binnedAt: ______, ...content } = listing;
  return content;
}

/** Whether visitors may see a listing, its kind being published. */
export function isOnSite(listing: Pick<Listing, 'status'>): boolean {
  return listing.status === 'live';
}
