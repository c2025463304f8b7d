import type { CountedThing, SearchInList, ShownPage } from '@plindo/core/learn';
import { DAYS_KEPT_BY_DAY, arrival, pageShown, searchesShown, thingsShown } from '@plindo/core/learn';
import { dayNumberAt, periodStart, startOfDay } from '@plindo/core/time';
import { breath } from '../../live/breath.js';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import { Turns } from '../../store/index.js';
import { isCounted } from './counted-visits.js';
import type { Visit } from './counted-visits.js';
import { PendingCounts } from './pending-counts.js';
import type { DoneAt, Settled } from './searches-under-way.js';
import { SearchesUnderWay } from './searches-under-way.js';
import { Visitors } from './visitors.js';

/** What was counted is written so often; a kill loses no more than what came since, and the writing of it. */
const WRITTEN_EVERY_IN_MS = 2000;
/** What other nodes have counted is read so often. */
const READ_EVERY_IN_MS = 60_000;
/** So many are worked out in one go: less than a millisecond. */
const NOTES_A_BREATH = 100;

/** Tells what stands at an address of the site; null for nothing that counts. */
export type ShownAt = (address: string) => Promise<ShownPage | null>;

/** A page that somebody was sent. */
export interface SentPage {
  /** Its one address. */
  readonly address: string;
  /** The host of another site whose link led there, '' for none; null for who comes from another page of this site. */
  readonly arrivedFrom: string | null;
}

interface Noted extends SentPage, DoneAt {
  readonly visitor: string;
}

/** What counts of a page, whoever was sent it. */
interface Shown extends Pick<ShownPage, 'path' | 'listing'> {
  readonly page: readonly CountedThing[];
  readonly things: readonly CountedThing[];
  readonly searches: readonly SearchInList[];
}

/**
 * Counts what visitors look at. A request notes no more than who was sent which page; what that means is worked out every two
 * seconds, together with the writing, so that no page waits for it.
 */
export class VisitCounter {
  private readonly visitors = new Visitors();
  private readonly searches = new SearchesUnderWay();
  private readonly pending = new PendingCounts();
  /** What is worked out and written at one time: one after the other, so that whoever waits finds all that came before. */
  private readonly turns = new Turns();
  private noted: Noted[] = [];
  private writtenAt = 0;
  private readAt = 0;
  private rolledOn = NaN;
  private today = { zone: '', day: NaN, from: NaN, until: NaN };

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly shownAt: ShownAt,
  ) {}

  /** Notes that somebody was sent a page of the site at a moment, in milliseconds since 1970. */
  note(visit: Visit, page: SentPage, atInMs = this.live.nowInMs()): void {
    if (this.live.site().countsViews === false || !isCounted(visit)) return;
    const day = this.dayAt(atInMs);
    this.noted.push({ ...page, visitor: this.visitors.nameOf(visit, day), day, atInMs });
  }

  /** Writes what was counted so far, searches too that may not be typed to their end. */
  write(): Promise<void> {
    return this.takeAndWrite(Infinity);
  }

  /** Writes what was counted so far, but for searches that somebody may still be typing. */
  writeSettled(): Promise<void> {
    return this.takeAndWrite(this.live.nowInMs());
  }

  /** Forgets all that was counted, here and in the store. */
  erase(): Promise<void> {
    this.noted = [];
    return this.turns.take(async () => {
      this.pending.clear();
      this.searches.forgetAll();
      this.visitors.forgetAll();
      await this.store.views.erase();
      await this.live.views.readAll();
    });
  }

  /** Writes what was counted, follows the days, and reads what other nodes have counted, each when it is time. */
  async look(): Promise<void> {
    const now = this.live.nowInMs();
    if (Math.abs(now - this.writtenAt) >= WRITTEN_EVERY_IN_MS) {
      this.writtenAt = now;
      await this.takeAndWrite(now);
    }
    await this.followDay(this.dayAt(now));
    if (this.store.dialectName === 'postgres' && Math.abs(now - this.readAt) >= READ_EVERY_IN_MS) {
      this.readAt = now;
      await this.live.views.readAll();
    }
  }

  private takeAndWrite(byInMs: number): Promise<void> {
    return this.turns.take(async () => {
      await this.take(byInMs);
      await this.writePending();
    });
  }

  /** Works out what counts of what was noted, and of the searches that have settled by a moment. */
  private async take(byInMs: number): Promise<void> {
    const noted = this.noted;
    this.noted = [];
    const known = new Map<string, Shown | null>();
    for (const [at, one] of noted.entries()) {
      // Requests are answered in between.
      if (at % NOTES_A_BREATH === NOTES_A_BREATH - 1) await breath();
      const { address } = one;
      if (!known.has(address)) known.set(address, await this.shown(address));
      const shown = known.get(address);
      if (shown) this.takeOne(one, shown);
    }
    this.settle(this.searches.settled(byInMs));
  }

  private async shown(address: string): Promise<Shown | null> {
    const page = await this.shownAt(address);
    if (!page) return null;
    const { path, listing } = page;
    return { path, listing, page: pageShown(page), things: thingsShown(page), searches: searchesShown(page) };
  }

  private takeOne({ arrivedFrom, visitor, day, atInMs }: Noted, { path, listing, ...shown }: Shown): void {
    // In the order in which things happened, whenever they are worked out.
    this.settle(this.searches.settled(atInMs));
    const at = { day, atInMs };
    if (this.visitors.isNew(visitor, listing ? String(listing.id) : path, atInMs)) {
      if (listing) this.pending.addView(day, listing);
      for (const thing of shown.page) this.pending.addThing(day, thing);
    }
    this.count(visitor, shown.things, at);
    if (arrivedFrom !== null) this.count(visitor, [arrival(arrivedFrom)], at);
    for (const search of shown.searches) this.settle(this.searches.note(visitor, search, at));
  }

  private settle(settled: readonly Settled[]): void {
    for (const { visitor, things, ...at } of settled) this.count(visitor, things, at);
  }

  private count(visitor: string, things: readonly CountedThing[], { day, atInMs }: DoneAt): void {
    for (const thing of things) {
      const name = this.pending.nameOf(day, thing);
      if (name !== null && this.visitors.isNew(visitor, name, atInMs)) this.pending.addThing(day, thing);
    }
  }

  private async writePending(): Promise<void> {
    if (this.pending.isEmpty) return;
    const counted = this.pending.take();
    try {
      await this.live.views.add(counted.views, counted.times);
    } catch (error) {
      this.pending.putBack(counted);
      throw error;
    }
  }

  /** The day of the site, worked out once: telling the zone's time takes longer than all else that a visit takes. */
  private dayAt(atInMs: number): number {
    const { zone } = this.live.site();
    const isKnown = zone === this.today.zone && atInMs >= this.today.from && atInMs < this.today.until;
    if (!isKnown) {
      const day = dayNumberAt(atInMs, zone);
      const until = startOfDay(day + 1, 'moments', zone);
      this.today = { zone, day, from: atInMs, until };
    }
    return this.today.day;
  }

  /** When a day is over another one is a month ago, and one a year. */
  private async followDay(day: number): Promise<void> {
    if (this.rolledOn === day) return;
    const monthOf = (one: number): number => periodStart(one, 'month');
    await this.store.views.rollUp(monthOf(day - DAYS_KEPT_BY_DAY), monthOf);
    await this.live.views.follow();
    this.rolledOn = day;
  }
}
