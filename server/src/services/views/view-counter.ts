import { dayNumberAt, periodStart, startOfDay } from '@plindo/core/time';
import type { Live } from '../../live/live.js';
import type { Store, ViewsOfDay } from '../../store/index.js';
import { isCounted } from './counted-visits.js';
import type { Visit } from './counted-visits.js';
import { Visitors } from './visitors.js';

/** What was counted is written so often; a kill loses no more than what came since, and the writing of it. */
const WRITTEN_EVERY_IN_MS = 2000;
/** What other nodes have counted is read so often. */
const READ_EVERY_IN_MS = 60_000;
const DAYS_BY_DAY = 366;

/** Counts who looks at the pages of listings: in memory first, written in batches, so that no page waits for it. */
export class ViewCounter {
  private readonly visitors = new Visitors();
  /** By day and listing. */
  private pending = new Map<string, ViewsOfDay>();
  private writtenAt = 0;
  private readAt = 0;
  private rolledOn = NaN;
  private today = { zone: '', day: NaN, from: NaN, until: NaN };

  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** Notes that somebody was sent the page of a listing that is on the site. */
  note(visit: Visit, listingId: number): void {
    if (this.live.site().countsViews === false || !isCounted(visit)) return;
    const nowInMs = this.live.nowInMs();
    const day = this.dayAt(nowInMs);
    const kindId = this.live.catalogShowing(listingId)?.kind.id;
    if (kindId === undefined || !this.visitors.isNew(visit, listingId, { day, nowInMs })) return;
    const key = `${day} ${listingId}`;
    const views = (this.pending.get(key)?.views ?? 0) + 1;
    this.pending.set(key, { day, kindId, listingId, views });
  }

  /** Writes what was counted so far. */
  async write(): Promise<void> {
    const counted = this.pending;
    if (counted.size === 0) return;
    this.pending = new Map();
    try {
      await this.live.views.add([...counted.values()]);
    } catch (error) {
      this.putBack(counted);
      throw error;
    }
  }

  /** Forgets all that was counted, here and in the store. */
  async erase(): Promise<void> {
    this.pending.clear();
    this.visitors.forgetAll();
    await this.store.views.erase();
    await this.live.views.readAll();
  }

  /** Writes what was counted, follows the days, and reads what other nodes have counted, each when it is time. */
  async look(): Promise<void> {
    const now = this.live.nowInMs();
    if (Math.abs(now - this.writtenAt) >= WRITTEN_EVERY_IN_MS) {
      this.writtenAt = now;
      await this.write();
    }
    await this.followDay(this.dayAt(now));
    if (this.store.dialectName === 'postgres' && Math.abs(now - this.readAt) >= READ_EVERY_IN_MS) {
      this.readAt = now;
      await this.live.views.readAll();
    }
  }

  /** The day of the site, worked out once: telling the zone's time takes longer than all else that a view takes. */
  private dayAt(nowInMs: number): number {
    const { zone } = this.live.site();
    const isKnown = zone === this.today.zone && nowInMs >= this.today.from && nowInMs < this.today.until;
    if (!isKnown) {
      const day = dayNumberAt(nowInMs, zone);
      const until = startOfDay(day + 1, 'moments', zone);
      this.today = { zone, day, from: nowInMs, until };
    }
    return this.today.day;
  }

  /** When a day is over another one is a month ago, and one a year. */
  private async followDay(day: number): Promise<void> {
    if (this.rolledOn === day) return;
    const monthOf = (one: number): number => periodStart(one, 'month');
    await this.store.views.rollUp(monthOf(day - DAYS_BY_DAY), monthOf);
    await this.live.views.follow();
    this.rolledOn = day;
  }

  private putBack(counted: ReadonlyMap<string, ViewsOfDay>): void {
    for (const [key, one] of counted) {
      const views = one.views + (this.pending.get(key)?.views ?? 0);
      this.pending.set(key, { ...one, views });
    }
  }
}
