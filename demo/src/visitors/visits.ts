import { startOfDay, weekdayOf } from '@plindo/core/time';
import type { Dice } from '@plindo/core/values';
import type { Habit } from './habits.js';
import { BROWSERS, COMES_FROM, HABITS, PAGES, ROBOTS, SHARE_OF_HOUR, SHARE_OF_WEEKDAY } from './habits.js';

/** What a played visitor did at a moment, in words of this stand-in alone: from it all that Plindo counts can be counted again. */
export interface PlayedVisit {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** Of which day of the site, counted from 1970-01-01. */
  readonly day: number;
  /** Another number for each visitor, each day. */
  readonly visitor: number;
  readonly address: string;
  readonly browser: string;
  readonly isRobot: boolean;
  /** Whether the browser says that its user doesn't want to be watched. */
  readonly refuses: boolean;
  /** The site that led here, '' for none; null for who was here already. */
  readonly from: string | null;
  readonly path: string;
  /** The listing whose page it is; left out for every other page. */
  readonly listing?: number;
  /** The list that it is, with what was chosen in it. */
  readonly list?: string;
  readonly chosen?: readonly (readonly [facet: string, value: string])[];
  readonly sort?: string;
  readonly words?: string;
  /** Whether the words are not typed to their end yet. */
  readonly isTyping?: boolean;
}

/** A site to look at: its listings by the address of their list, those that are looked at most first. */
export interface PlayedSite {
  readonly zone: string;
  readonly listings: Readonly<Record<string, readonly { readonly id: number; readonly path: string }[]>>;
}

const MINUTE_IN_MS = 60_000;
const DAY_IN_MINUTES = 1440;
const SHARE_OF_ROBOTS = 0.15;
const SHARE_OF_REFUSING = 0.04;
/** How people go on: to a listing, to one that they saw already, to a search, a filter, an order, or home. */
const NEXT = [
  ['listing', 52],
  ['again', 8],
  ['search', 12],
  ['filter', 18],
  ['sort', 4],
  ['page', 6],
] as const;
/** A finger types about so fast. */
const A_LETTER_IN_MS = 180;

/** What visitors do on a day of the site, by time. `visits` is how many come on a plain day. */
export function visitsOf(site: PlayedSite, day: number, visits: number, dice: Dice): PlayedVisit[] {
  const begins = startOfDay(day, 'moments', site.zone);
  const count = Math.round(visits * SHARE_OF_WEEKDAY[weekdayOf(day) - 1]! * (0.85 + dice.next() * 0.3));
  const played: PlayedVisit[] = [];
  for (let visitor = 0; visitor < count; visitor++) {
    const from = begins + minuteOfDay(dice) * MINUTE_IN_MS;
    played.push(...visitOf(site, { day, visitor, from }, dice));
    // Some come back an hour later, and count anew.
    const comesBack = dice.chance(0.04) && from + 3 * 60 * MINUTE_IN_MS < begins + DAY_IN_MINUTES * MINUTE_IN_MS;
    if (comesBack) played.push(...visitOf(site, { day, visitor, from: from + 65 * MINUTE_IN_MS }, dice, played.at(-1)));
  }
  const end = begins + DAY_IN_MINUTES * MINUTE_IN_MS;
  return played.filter(({ at }) => at < end).sort((one, other) => one.at - other.at);
}

interface Coming {
  readonly day: number;
  readonly visitor: number;
  readonly from: number;
}

type Who = Pick<PlayedVisit, 'visitor' | 'day' | 'browser' | 'isRobot' | 'refuses'>;

/** All that somebody does from when they come until they leave; `before` tells who it is that comes back. */
function visitOf(site: PlayedSite, { day, visitor, from }: Coming, dice: Dice, before?: PlayedVisit): PlayedVisit[] {
  const isRobot = before?.isRobot ?? dice.chance(SHARE_OF_ROBOTS);
  const who: Who = {
    ...{ visitor, day, isRobot },
    browser: before?.browser ?? dice.pick(isRobot ? ROBOTS : BROWSERS),
    refuses: before?.refuses ?? dice.chance(SHARE_OF_REFUSING),
  };
  const habit = pickBy(HABITS, ({ share }) => share, dice);
  const steps: PlayedVisit[] = [];
  const seen: Landing[] = [];
  let at = from;
  const first = landing(site, habit, dice);
  const step = (landed: Landing, came: string | null, later = 0): void => {
    steps.push({ ...who, at: at + later, from: came, ...landed, address: addressOf(landed) });
    if (landed.listing !== undefined) seen.push(landed);
  };
  step(first, pickBy(COMES_FROM, ([, share]) => share, dice)[0]);
  for (let more = dice.whole(0, 4); more > 0; more--) {
    at += dice.whole(20, 200) * 1000;
    for (const { landed, later } of nextSteps(site, habit, seen, dice)) step(landed, null, later);
  }
  return steps;
}

type Landing = Pick<PlayedVisit, 'path' | 'listing' | 'list' | 'chosen' | 'sort' | 'words' | 'isTyping'>;

function landing(site: PlayedSite, habit: Habit, dice: Dice): Landing {
  const lot = dice.next();
  if (lot < 0.35) return { path: pickBy(PAGES, ([, share]) => share, dice)[0] };
  return lot < 0.6 ? { path: `/${habit.list}`, list: habit.list } : someListing(site, habit, dice);
}

/** What somebody does next, with how much later each part of it is, in milliseconds. */
function nextSteps(
  site: PlayedSite,
  habit: Habit,
  seen: readonly Landing[],
  dice: Dice,
): { landed: Landing; later: number }[] {
  const [what] = pickBy(NEXT, ([, share]) => share, dice);
  const list: Landing = { path: `/${habit.list}`, list: habit.list };
  const one = (landed: Landing): { landed: Landing; later: number }[] => [{ landed, later: 0 }];
  if (what === 'again' && seen.length > 0) return one(dice.pick(seen));
  if (what === 'page') return one({ path: pickBy(PAGES, ([, share]) => share, dice)[0] });
  if (what === 'search') return typed(list, pickBy(habit.searches, ([, share]) => share, dice)[0], dice);
  if (what === 'sort' && habit.sorts.length > 0) {
    return one({ ...list, sort: pickBy(habit.sorts, ([, share]) => share, dice)[0] });
  }
  if (what === 'filter' && habit.filters.length > 0) return one({ ...list, chosen: someFilters(habit, dice) });
  return one(someListing(site, habit, dice));
}

/** One filter, or two of different facets. */
function someFilters({ filters }: Habit, dice: Dice): (readonly [string, string])[] {
  const pick = (): readonly [string, string, number] => pickBy(filters, ([, , share]) => share, dice);
  const [facet, value] = pick();
  const [other, otherValue] = pick();
  const isTwo = other !== facet && dice.chance(0.3);
  return isTwo
    ? [
        [facet, value],
        [other, otherValue],
      ]
    : [[facet, value]];
}

/** Words that come letter by letter, as a list follows the typing, or at once. */
function typed(list: Landing, words: string, dice: Dice): { landed: Landing; later: number }[] {
  const whole = { landed: { ...list, words }, later: 0 };
  if (words.length < 4 || dice.chance(0.5)) return [whole];
  const cut = words.length - dice.whole(1, 2);
  const begun = { landed: { ...list, words: words.slice(0, cut).trim(), isTyping: true }, later: 0 };
  return [begun, { ...whole, later: (words.length - cut) * A_LETTER_IN_MS }];
}

/** The first is looked at most, the second half as often, the third a third. */
function someListing({ listings }: PlayedSite, { list }: Habit, dice: Dice): Landing {
  const all = listings[list] ?? [];
  const { id, path } = pickBy(all, (_, at) => 1 / (at + 1), dice);
  return { path, listing: id };
}

function addressOf({ path, chosen = [], sort, words }: Landing): string {
  const parts = new URLSearchParams([
    ...(words === undefined ? [] : [['q', words]]),
    ...chosen.map(([facet, value]) => [facet, value]),
    ...(sort === undefined ? [] : [['sort', sort]]),
  ]);
  return parts.size === 0 ? path : `${path}?${parts}`;
}

function minuteOfDay(dice: Dice): number {
  const hour = pickBy([...SHARE_OF_HOUR.entries()], ([, share]) => share, dice)[0];
  return hour * 60 + dice.next() * 60;
}

/** One of several, by their shares. */
function pickBy<T>(from: readonly T[], shareOf: (one: T, at: number) => number, dice: Dice): T {
  const shares = from.map(shareOf);
  let lot = dice.next() * shares.reduce((sum, share) => sum + share, 0);
  for (const [at, share] of shares.entries()) {
    lot -= share;
    if (lot < 0) return from[at]!;
  }
  return from.at(-1)!;
}
