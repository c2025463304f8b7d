import { dateFromDayNumber } from '../../structure/index.js';
import { dayNumberAt } from '../../time/index.js';

/** What can happen to listings by itself; what a rule does has the key of its consequence behind it. */
export type CalendarWhat = 'comes' | 'leaves' | 'featured' | 'unfeatured' | `then:${string}`;

/** A listing to which something happens, with when: milliseconds since 1970. */
export interface CalendarListing {
  readonly id: number;
  readonly title: string;
  readonly at: number;
}

/** What happens on a day to listings of a kind, all that is alike together. */
export interface CalendarEntry {
  /** "2026-12-04", in the zone of the site. */
  readonly day: string;
  readonly kindId: number;
  readonly what: CalendarWhat;
  /** As people say it: "leave the site", "hide it". */
  readonly label: string;
  readonly count: number;
  /** The first of them, by their moments. */
  readonly listings: readonly CalendarListing[];
}

/** So many listings are named in an entry. */
export const MOST_IN_ENTRY = 500;

/** Puts single happenings together by day, kind and sort. */
export class CalendarDays {
  private readonly entries = new Map<
    string,
    { entry: Omit<CalendarEntry, 'count' | 'listings'>; listings: CalendarListing[] }
  >();

  constructor(private readonly zone: string) {}

  /** What happens at midnight at the end of something does so at the end of the day before. */
  add(kindId: number, what: CalendarWhat, label: string, listing: CalendarListing, isEnd: boolean): void {
    const day = dateFromDayNumber(dayNumberAt(isEnd ? listing.at - 1 : listing.at, this.zone));
    const key = `${day} ${kindId} ${what}`;
    const known = this.entries.get(key);
    if (known) known.listings.push(listing);
    else this.entries.set(key, { entry: { day, kindId, what, label }, listings: [listing] });
  }

  /** In the order of days; on one day in that of their first moments. */
  all(): CalendarEntry[] {
    const made = [...this.entries.values()].map(({ entry, listings }) => {
      listings.sort((a, b) => a.at - b.at || a.id - b.id);
      return { ...entry, count: listings.length, listings: listings.slice(0, MOST_IN_ENTRY) };
    });
    const firstOf = ({ listings }: CalendarEntry): number => listings[0]!.at;
    return made.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : firstOf(a) - firstOf(b)));
  }
}
