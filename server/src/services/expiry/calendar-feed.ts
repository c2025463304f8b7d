import { randomBytes } from 'node:crypto';
import ical from 'ical-generator';
import type { CalendarEntry } from '@plindo/core/listings';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import { digest } from '../people/secrets.js';
import type { Store } from '../../store/index.js';
import type { Calendar } from './calendar.js';

const DAY_IN_MS = 86_400_000;
const AHEAD_IN_DAYS = 90;
const MOST_NAMED = 30;

/** The calendar for the office's own calendar program (RFC 5545), at an address that nobody can guess. */
export class CalendarFeed {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly calendar: Calendar,
  ) {}

  /** A new secret address; the one before no longer leads anywhere. Only a hash of it is kept. */
  async renew(): Promise<{ path: string }> {
    const secret = randomBytes(24).toString('base64url');
    await this.store.accounts.setCalendarSecret(digest(secret), this.live.nowInMs());
    return { path: `/api/calendar/${secret}.ics` };
  }

  /** Closes the feed. */
  async close(): Promise<void> {
    await this.store.accounts.setCalendarSecret(null, this.live.nowInMs());
  }

  /**
   * The feed as text; refused by `request.not-found` when the secret is not the one.
   */
  async text(secret: string): Promise<string> {
    const kept = await this.store.accounts.calendarSecret();
    if (kept === null || digest(secret) !== kept) throw Refusal.of('request.not-found');
    const now = this.live.nowInMs();
    const { coming } = await this.calendar.view(now, now + AHEAD_IN_DAYS * DAY_IN_MS);
    const { name, address = '' } = this.live.site();
    const feed = ical({ name, prodId: { company: 'Plindo', product: 'Calendar' } });
    for (const entry of coming) {
      const kind = this.live.kind(entry.kindId);
      const start = new Date(`${entry.day}T00:00:00Z`);
      feed.createEvent({
        id: `${entry.day}-${entry.kindId}-${entry.what.replace(/[^\w]/g, '-')}@plindo`,
        stamp: new Date(now),
        start,
        end: new Date(start.getTime() + DAY_IN_MS),
        allDay: true,
        summary: `${entry.count} ${(entry.count === 1 ? kind?.one : kind?.many) ?? ''}: ${entry.label}`,
        description: namesOf(entry),
        ...(address !== '' && { url: `${address}/desk/run/calendar?day=${entry.day}` }),
      });
    }
    return feed.toString();
  }
}

function namesOf({ listings, count }: CalendarEntry): string {
  const named = listings.slice(0, MOST_NAMED).map(({ title }) => title);
  return [...named, ...(count > named.length ? [`and ${count - named.length} more`] : [])].join('\n');
}
