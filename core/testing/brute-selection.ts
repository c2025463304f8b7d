/**
 * Selections once more, as the rules read: one listing at a time, one condition at a time, over plain values. Written
 * apart from core/query and from the definition that it shares with show-when.
 */
import { DateTime } from 'luxon';
import type { Listing } from '../src/listings/index.js';
import type { Condition, FieldTest, LinkedListing, SelectionDefinition } from '../src/structure/index.js';
import { foldText } from '../src/values/index.js';
import type { BruteSite } from './brute-force.js';
import { compare, isShownAt } from './brute-force.js';

export interface BruteSelection {
  total: number;
  ids: number[];
  /** All that satisfy it, in order, before anything is skipped or cut off. */
  all: number[];
}

export function bruteSelection(
  selection: SelectionDefinition,
  page: number,
  current: number | null,
  site: BruteSite,
): BruteSelection {
  const isChosen = (listing: Listing): boolean => {
    if (!isShownAt(listing, site)) return false;
    if (selection.leavesOutCurrent && listing.id === current) return false;
    if (selection.picked) return selection.picked.includes(listing.id);
    return selection.kinds.includes(listing.kindId) && holds(selection.where, listing, current, site);
  };
  const chosen = site.listings.filter(isChosen);
  const all = selection.picked
    ? selection.picked.filter((id) => chosen.some((listing) => listing.id === id))
    : chosen.sort((a, b) => compare(a, b, selection.order, site)).map(({ id }) => id);
  const shown = all.slice(selection.skip, selection.most === null ? undefined : selection.skip + selection.most);
  return {
    total: shown.length,
    ids: shown.slice((page - 1) * selection.pageSize, page * selection.pageSize),
    all,
  };
}

export function holds(condition: Condition, listing: Listing, current: number | null, site: BruteSite): boolean {
  if ('join' in condition) {
    const results = condition.of.map((part) => holds(part, listing, current, site));
    if (condition.join === 'all') return !results.includes(false);
    return condition.join === 'any' ? results.includes(true) : !results.includes(true);
  }
  if ('link' in condition) {
    const linked = (listing.values[condition.link] ?? []) as readonly LinkedListing[];
    return linked.some(({ id }) => {
      const other = site.listings.find((one) => one.id === id);
      return other !== undefined && isShownAt(other, site) && holds(condition.where, other, current, site);
    });
  }
  return testHolds(condition, listing, current, site);
}

function testHolds(test: FieldTest, listing: Listing, current: number | null, site: BruteSite): boolean {
  if (test.op === 'is-current') return listing.id === current;
  const kind = site.kinds.find(({ id }) => id === listing.kindId)!;
  const field = kind.fields.find(({ key }) => key === test.field);
  const own =
    test.field === '@title' ? listing.title : test.field === '@status' ? listing.status : listing.values[test.field];
  const isBuiltIn = test.field === '@title' || test.field === '@status';
  if (!field && !isBuiltIn) return false;
  if (test.op === 'is-empty') return own === undefined;
  if (own === undefined) return false;
  if (test.op === 'is-not-empty') return true;
  const wanted = Array.isArray(test.value) ? (test.value as string[]) : [test.value as string];
  switch (field?.type ?? 'short-text') {
    case 'date':
    case 'date-time':
      return timeHolds(test, own as string, site);
    case 'decimal':
    case 'rating':
      return numberHolds(test, own as number, wanted.map(Number));
    case 'yes-no':
      return test.op === 'is' && own === (wanted[0] === 'yes');
    case 'one-choice':
    case 'several-choices':
      return keysHold(test, [own].flat() as string[], wanted);
    case 'categories': {
      const parents = new Map((field!.settings.choices ?? []).map(({ key, parent }) => [key, parent]));
      const above = (key: string): string[] => [key, ...(parents.get(key) ? above(parents.get(key)!) : [])];
      return keysHold(test, test.alone ? (own as string[]) : (own as string[]).flatMap(above), wanted);
    }
    case 'short-text': {
      if (test.field === '@status') return keysHold(test, [own as string], wanted);
      const [text, part] = [foldText(own as string), foldText(wanted[0]!).trim()];
      if (test.op === 'contains') return part !== '' && text.includes(part);
      if (test.op === 'starts-with') return part !== '' && text.startsWith(part);
      return (own === wanted[0]) === (test.op === 'is');
    }
    default:
      return false;
  }
}

function keysHold({ op }: FieldTest, own: readonly string[], wanted: readonly string[]): boolean {
  if (op === 'is-one-of') return wanted.some((key) => own.includes(key));
  if (op === 'includes-all') return wanted.every((key) => own.includes(key));
  return op === 'includes-none' && !wanted.some((key) => own.includes(key));
}

function numberHolds({ op }: FieldTest, own: number, [first = NaN, second = NaN]: readonly number[]): boolean {
  if (op === 'is') return own === first;
  if (op === 'is-not') return own !== first;
  if (op === 'below') return own < first;
  if (op === 'at-most') return own <= first;
  if (op === 'above') return own > first;
  if (op === 'at-least') return own >= first;
  return op === 'between' && own >= first && own <= second;
}

/** By luxon's calendar, in the site's zone. A date without a time is compared as the whole day that it is. */
function timeHolds({ op, value }: FieldTest, own: string, { context: { zone, nowInMs, locale } }: BruteSite): boolean {
  const now = DateTime.fromMillis(nowInMs, { zone });
  const isDay = own.length === 10;
  const moment = isDay ? DateTime.fromISO(own, { zone }) : DateTime.fromISO(own).setZone(zone);
  const day = moment.startOf('day');
  const today = now.startOf('day');
  const [amount, unit] = String(value).split(' ');
  if (op === 'in-past') return isDay ? day < today : moment < now;
  if (op === 'in-future') return isDay ? day >= today : moment >= now;
  if (op === 'in-last') return day >= today.minus({ [unit!]: Number(amount) }) && day < today;
  if (op === 'in-next') return day >= today && day < today.plus({ [unit!]: Number(amount) });
  if (op === 'in-this') {
    if (value !== 'week') return day.hasSame(today, value as 'day' | 'month' | 'year');
    return day
      .startOf('week', { useLocaleWeeks: true })
      .hasSame(today.reconfigure({ locale }).startOf('week', { useLocaleWeeks: true }), 'day');
  }
  const date = DateTime.fromISO(value as string, { zone });
  if (op === 'is-on') return day.hasSame(date, 'day');
  return numberHolds({ field: '', op }, day.toMillis(), [date.toMillis()]);
}
