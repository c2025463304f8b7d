import type { Listing } from '../listing.js';
import { hasLeft, isOnSite } from '../listing.js';
import type { Departure } from './departure.js';
import { departureOf, isTooLate, stillDue } from './departure.js';
import type { LeavingKind } from './leaving.js';
import { ruleFor, shownParts } from './leaving.js';

/** How far ahead it is said what will happen soon. */
export const SOON_IN_DAYS = 30;
const DAY_IN_MS = 86_400_000;
const MOST_EXAMPLES = 200;

/** What another rule or zone does to a listing, the gravest first. */
export const TURNS = ['leaves-now', 'comes-back', 'leaves-soon', 'moves'] as const;
export type Turn = (typeof TURNS)[number];

/** A listing that leaves at another moment; moments in milliseconds since 1970, null for one that stays. */
export interface TurnedListing {
  readonly id: number;
  readonly title: string;
  readonly turn: Turn;
  readonly before: number | null;
  readonly after: number | null;
}

/** What another rule or zone would do to the listings of a kind. */
export interface ExpiryEffects {
  /** All listings but those in the bin. */
  readonly listings: number;
  readonly following: number;
  /** Those that follow the rule and have nothing to count from, so that they stay. */
  readonly undated: number;
  /** Those that have left, and those that leave within 30 days, by the other rule or zone. */
  readonly left: number;
  readonly soon: number;
  /** How many turn, by how. */
  readonly turns: Readonly<Record<Turn, number>>;
  /** By the key of a consequence, how many listings it happens to at once, and to how many more within 30 days. */
  readonly consequences: Readonly<Record<string, { readonly now: number; readonly soon: number }>>;
  /** Some that turn, the gravest first, each sort in the order of its moments. */
  readonly examples: readonly TurnedListing[];
}

/** By what listings leave, and in which zone. */
export interface LeavingScene {
  readonly kind: LeavingKind;
  readonly zone: string;
}

/** Compares, listing by listing, when they leave now and when they would leave. */
export class EffectsOfExpiry {
  private readonly counts = { listings: 0, following: 0, undated: 0, left: 0, soon: 0 };
  private readonly turned: TurnedListing[] = [];
  private readonly consequences = new Map<string, { now: number; soon: number }>();

  constructor(
    private readonly before: LeavingScene,
    private readonly after: LeavingScene,
    private readonly nowInMs: number,
  ) {
    for (const { key } of after.kind.expiry?.consequences ?? []) this.consequences.set(key, { now: 0, soon: 0 });
  }

  /** `known` is what is known of its departure; null for nothing. */
  look(listing: Listing, known: Departure | null): void {
    if (listing.status === 'binned') return;
    const { before, after, counts } = this;
    const was = shownParts(listing, before.kind, before.zone);
    const will = shownParts(listing, after.kind, after.zone);
    counts.listings++;
    if (ruleFor(listing, after.kind)) {
      counts.following++;
      if (will.leavesAt === null) counts.undated++;
    }
    if (hasLeft(will, this.nowInMs)) counts.left++;
    else if (will.status === 'live' && this.isSoon(will.leavesAt)) counts.soon++;
    const turn = this.turnOf(was, will);
    const { id, title } = listing;
    if (turn) this.turned.push({ id, title, turn, before: was.leavesAt, after: will.leavesAt });
    this.countConsequences(listing, known);
  }

  report(): ExpiryEffects {
    const turns = Object.fromEntries(
      TURNS.map((turn) => [turn, this.turned.filter((one) => one.turn === turn).length]),
    ) as Record<Turn, number>;
    const rank = ({ turn }: TurnedListing): number => TURNS.indexOf(turn);
    const examples = [...this.turned].sort(
      (a, b) => rank(a) - rank(b) || (a.after ?? Infinity) - (b.after ?? Infinity) || a.id - b.id,
    );
    const consequences = Object.fromEntries(this.consequences);
    return { ...this.counts, turns, consequences, examples: examples.slice(0, MOST_EXAMPLES) };
  }

  private turnOf(was: ReturnType<typeof shownParts>, will: ReturnType<typeof shownParts>): Turn | null {
    const { nowInMs } = this;
    if (was.leavesAt === will.leavesAt) return null;
    if (isOnSite(was, nowInMs) && hasLeft(will, nowInMs)) return 'leaves-now';
    if (hasLeft(was, nowInMs) && isOnSite(will, nowInMs)) return 'comes-back';
    return this.isSoon(will.leavesAt) && was.status === 'live' ? 'leaves-soon' : 'moves';
  }

  private isSoon(moment: number | null): boolean {
    return moment !== null && moment > this.nowInMs && moment <= this.nowInMs + SOON_IN_DAYS * DAY_IN_MS;
  }

  private countConsequences(listing: Listing, known: Departure | null): void {
    const { kind, zone } = this.after;
    const rule = ruleFor(listing, kind);
    const departure = rule && departureOf(listing, kind, known, { zone, nowInMs: this.nowInMs });
    if (!departure || departure.dueAt === null) return;
    for (const { consequence, at } of stillDue(rule, departure, zone)) {
      const counted = this.consequences.get(consequence.key)!;
      if (isTooLate(consequence, departure, this.nowInMs)) continue;
      if (at <= this.nowInMs) counted.now++;
      else if (this.isSoon(at)) counted.soon++;
    }
  }
}
