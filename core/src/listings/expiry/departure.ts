import type { Consequence, ExpiryRule, LeftStatus } from '../../structure/index.js';
import { movedMoment } from '../../time/index.js';
import type { Listing, Status } from '../listing.js';
import type { LeavingKind } from './leaving.js';
import { leavesAt, ruleFor } from './leaving.js';

/** How far a listing has come with what happens when it leaves; moments in milliseconds since 1970. */
export interface Departure {
  /** When the listing leaves or left. */
  readonly leavesAt: number;
  /** Keys of consequences that have happened, or that need not happen any more. */
  readonly done: readonly string[];
  /** The status in which the last of them left it; null before the first. */
  readonly status: Status | null;
  /** When the next one is due; null when none is. */
  readonly dueAt: number | null;
}

/** A consequence with the moment at which it is due. */
export interface DueConsequence {
  readonly consequence: Consequence;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** The consequences of a rule for a listing that leaves at a moment, in the order in which they happen. */
export function consequencesAt({ consequences }: ExpiryRule, leaves: number, zone: string): DueConsequence[] {
  const all = consequences.map((consequence): DueConsequence => {
    return { consequence, at: movedMoment(leaves, { amount: consequence.days, unit: 'day' }, zone) };
  });
  // Sorting is stable: what is due together happens as the rule has it.
  return all.sort((a, b) => a.at - b.at);
}

/** What of a departure has still to happen, in order. */
export function stillDue(rule: ExpiryRule, { leavesAt: leaves, done }: Departure, zone: string): DueConsequence[] {
  return consequencesAt(rule, leaves, zone).filter(({ consequence }) => !done.includes(consequence.key));
}

/** Where and when departures are worked out. */
export interface DepartureScene {
  readonly zone: string;
  readonly nowInMs: number;
}

/**
 * The departure of a listing as it is now; `known` is what was known of it. Null where there is nothing to remember.
 *
 * A departure begins with a live listing. One that has left goes on while the listing is live or as the rule left it; where
 * somebody has made something else of it, it rests. A listing that leaves at another, later moment departs anew; what
 * happened to one that has left is not done again because its moment is worked out otherwise.
 */
export function departureOf(
  listing: Listing,
  kind: LeavingKind,
  known: Departure | null,
  scene: DepartureScene,
): Departure | null {
  const rule = ruleFor(listing, kind);
  const leaves = leavesAt(listing, kind, scene.zone);
  const resting = known && known.done.length > 0 ? { ...known, dueAt: null } : null;
  if (!rule || leaves === null) return resting;
  const present = presentDeparture(listing, leaves, known, scene);
  if (!present) return resting;
  const [next] = stillDue(rule, present, scene.zone);
  const departure = { ...present, dueAt: next?.at ?? null };
  return next || departure.done.length > 0 ? departure : null;
}

function presentDeparture(
  { status }: Listing,
  leaves: number,
  known: Departure | null,
  { nowInMs }: DepartureScene,
): Departure | null {
  const isGoingOn = known !== null && known.done.length > 0 && known.status === status;
  if (status !== 'live') return isGoingOn ? known : null;
  const isSame = known !== null && (known.leavesAt === leaves || (known.leavesAt <= nowInMs && leaves <= nowInMs));
  return isSame ? known : { leavesAt: leaves, done: [], status: null, dueAt: null };
}

/** A departure after one of its consequences. */
export function afterConsequence(
  departure: Departure,
  { key }: Consequence,
  status: Status,
  rule: ExpiryRule,
  zone: string,
): Departure {
  const done = { ...departure, done: [...departure.done, key], status };
  return { ...done, dueAt: stillDue(rule, done, zone)[0]?.at ?? null };
}

/** The departure after a change of the rule: consequences that the rule has got since the listing left count as done. */
export function withoutNewNotices(departure: Departure, rule: ExpiryRule, before: readonly string[]): Departure {
  const added = rule.consequences.filter(({ key, deed }) => deed.act === 'tell' && !before.includes(key));
  return { ...departure, done: [...new Set([...departure.done, ...added.map(({ key }) => key)])] };
}

/** Whether a notice that something will leave comes too late to be of use. */
export function isTooLate({ days, deed }: Consequence, { leavesAt: leaves }: Departure, nowInMs: number): boolean {
  return deed.act === 'tell' && days < 0 && leaves <= nowInMs;
}

/** Whether a status that a rule sets would bring a listing back from the bin. */
export function isFartherAlready(status: Status, wanted: LeftStatus): boolean {
  return status === 'binned' && wanted !== 'binned';
}
