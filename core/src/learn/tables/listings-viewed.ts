import { dayNumberAt } from '../../time/index.js';
import type { LearnAct } from '../acts.js';
import type { LearnSource, LearnedListing } from '../learn-source.js';
import { LEAVES_SOON_IN_DAYS, byTimes, isAsked, viewsOfKinds } from '../learn-source.js';
import type { LearnedRow, WholeTable } from '../learned-table.js';
import { BEFORE, day, learnedTable, times, words } from '../learned-table.js';

/** What counts as rising: so many views more than in the period before, and half as many again as then. */
export const LEAST_MORE = 10;
export const LEAST_TIMES_AS_MANY = 1.5;

export function viewsByKind(source: LearnSource): WholeTable {
  const { kindById } = source;
  const sums = [...viewsOfKinds(source)].filter(([id]) => isAsked(source, Number(id)));
  return learnedTable(
    {
      ...{ key: 'views-by-kind', group: 'views', title: 'Views by kind' },
      says: 'How often people looked at listings of each kind.',
      empty: 'Nobody looked at a listing in this time.',
      chart: { as: 'bars', label: 0, series: [1, 2] },
      columns: [words('Kind'), times('Views'), BEFORE],
    },
    sums.sort(byTimes),
    ([id, { now, before }]) => ({
      cells: [kindById(Number(id))?.many ?? 'A kind that is gone', now, before],
      ...(kindById(Number(id)) && { link: { on: 'desk', path: `/fill/${id}` } }),
    }),
  );
}

/** Listings with their views now and before, the most viewed first. */
export interface ViewedListing {
  readonly listing: LearnedListing;
  readonly now: number;
  readonly before: number;
}

export function viewedListings(source: LearnSource): ViewedListing[] {
  return source.listings
    .filter(({ kindId }) => isAsked(source, kindId))
    .map(({ listingId, kindId, now, before }) => ({ listing: source.listingOf(listingId, kindId), now, before }))
    .sort((one, other) => other.now - one.now || other.before - one.before || one.listing.id - other.listing.id);
}

export function mostViewed(source: LearnSource, viewed: readonly ViewedListing[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'most-viewed', group: 'views', title: 'Most viewed' },
      says: 'The listings whose pages people looked at most.',
      empty: 'Nobody looked at a listing in this time.',
      chart: { as: 'bars', label: 0, series: [2, 3] },
      columns: [words('Listing'), words('Kind'), times('Views'), BEFORE],
    },
    viewed.filter(({ now }) => now > 0),
    (one) => listingRow(source, one.listing, [one.now, one.before], actsOf(one.listing)),
  );
}

/** Whether a listing is looked at so much more often that it counts as rising. */
function isRising({ now, before }: ViewedListing): boolean {
  return now - before >= LEAST_MORE && now >= before * LEAST_TIMES_AS_MANY;
}

/** The rising ones, those with the most more first. None where nothing was counted yet in the whole period before. */
export function risingListings({ firstDay, period }: LearnSource, viewed: readonly ViewedListing[]): ViewedListing[] {
  if (firstDay === null || firstDay > period.before.from) return [];
  return viewed
    .filter((one) => isRising(one) && one.listing.isOnSite)
    .sort((one, other) => other.now - other.before - (one.now - one.before) || one.listing.id - other.listing.id);
}

export function rising(source: LearnSource, viewed: readonly ViewedListing[]): WholeTable {
  const { firstDay, period } = source;
  const isKnown = firstDay !== null && firstDay <= period.before.from;
  return learnedTable(
    {
      ...{ key: 'rising', group: 'views', title: 'Rising' },
      says: `Listings on the site with at least ${LEAST_MORE} views more than before, and half as many again.`,
      empty: isKnown
        ? 'No listing was looked at so much more often than before.'
        : 'Plindo didn’t count in the whole time before yet, so it can’t tell what rises.',
      chart: { as: 'bars', label: 0, series: [2, 3] },
      columns: [words('Listing'), words('Kind'), times('Views'), BEFORE, times('More')],
    },
    risingListings(source, viewed),
    ({ listing, now, before }) => listingRow(source, listing, [now, before, now - before], actsOf(listing)),
  );
}

/** A listing that leaves soon and was looked at, with its place among those of its kind, counted from 1. */
export interface LeavingListing {
  readonly listing: LearnedListing;
  readonly views: number;
  readonly place: number;
  /** 0 for today. */
  readonly inDays: number;
}

export function leavingListings(source: LearnSource, viewed: readonly ViewedListing[]): LeavingListing[] {
  const { nowInMs, zone } = source.scene.context;
  const today = dayNumberAt(nowInMs, zone);
  const placeOf = new Map<number, number>();
  const inKind = new Map<number, number>();
  for (const { listing, now } of viewed) {
    const place = (inKind.get(listing.kindId) ?? 0) + 1;
    inKind.set(listing.kindId, place);
    if (now > 0) placeOf.set(listing.id, place);
  }
  const viewsOf = new Map(viewed.map(({ listing: { id }, now }) => [id, now]));
  return source.leaving
    .filter(({ id, kindId, leavesAt }) => isAsked(source, kindId) && placeOf.has(id) && leavesAt !== null)
    .map((listing) => ({
      ...{ listing, views: viewsOf.get(listing.id)!, place: placeOf.get(listing.id)! },
      inDays: lastDayOf(listing, zone) - today,
    }))
    .sort((one, other) => other.views - one.views || one.listing.id - other.listing.id);
}

export function leavingSoon(source: LearnSource, leaving: readonly LeavingListing[]): WholeTable {
  const { zone } = source.scene.context;
  return learnedTable(
    {
      ...{ key: 'leaving-soon', group: 'views', title: 'Leaves soon, and much seen' },
      says: `Listings that leave the site within ${LEAVES_SOON_IN_DAYS} days, the most viewed first.`,
      empty: `Nothing that people looked at leaves within ${LEAVES_SOON_IN_DAYS} days.`,
      chart: null,
      columns: [words('Listing'), words('Kind'), times('Views'), day('Last day')],
    },
    leaving,
    ({ listing, views }) => listingRow(source, listing, [views, lastDayOf(listing, zone)], [keepLonger(listing)]),
  );
}

/** The last day on which a listing is on the site: who leaves at midnight is there until the end of the day before. */
function lastDayOf({ leavesAt }: LearnedListing, zone: string): number {
  return dayNumberAt(leavesAt! - 1, zone);
}

export function keepLonger({ id, title }: LearnedListing): LearnAct {
  return { do: 'keep-longer', listingId: id, title };
}

export function feature({ id, title }: LearnedListing): LearnAct {
  return { do: 'feature', listingId: id, title };
}

function actsOf(listing: LearnedListing): LearnAct[] {
  return listing.isOnSite && !listing.isFeatured ? [feature(listing)] : [];
}

function listingRow(
  { kindById }: LearnSource,
  { id, kindId, title }: LearnedListing,
  cells: readonly number[],
  acts: readonly LearnAct[],
): LearnedRow {
  const kind = kindById(kindId);
  const named = [title || 'A listing that is gone', kind?.one ?? ''];
  return {
    cells: [...named, ...cells],
    ...(title !== '' && kind && { listing: id, link: { on: 'desk', path: `/fill/${kindId}/${id}` } }),
    ...(acts.length > 0 && { acts }),
  };
}
