import type { Counted, CountedThing } from '@plindo/core/learn';
import type { TimesOfDay, ViewsOfDay } from '../../store/index.js';

/** What anybody can make up in an address is counted by so many names a day; further ones are left out. */
const MOST_NAMES_A_DAY: Readonly<Partial<Record<Counted, number>>> = {
  search: 2000,
  missed: 2000,
  'dead-end': 2000,
  arrival: 2000,
  facet: 5000,
};

export interface CountedOfDays {
  readonly views: readonly ViewsOfDay[];
  readonly times: readonly TimesOfDay[];
}

/** What was counted and isn't written yet. */
export class PendingCounts {
  /** By day and listing, and by day and thing. */
  private views = new Map<string, ViewsOfDay>();
  private times = new Map<string, TimesOfDay>();
  /** By sort of thing, what was counted on a day, with a short name for each. */
  private readonly names = new Map<Counted, Map<string, string>>();
  private namesOn = NaN;
  private named = 0;

  get isEmpty(): boolean {
    return this.views.size === 0 && this.times.size === 0;
  }

  addView(day: number, { id, kindId }: { readonly id: number; readonly kindId: number }): void {
    this.putView({ day, kindId, listingId: id, views: 1 });
  }

  /** A short name of a thing for a day; null for one more than are counted of its sort. */
  nameOf(day: number, { what, about, detail }: CountedThing): string | null {
    if (day !== this.namesOn) {
      this.namesOn = day;
      this.names.clear();
    }
    const names = this.names.get(what) ?? new Map<string, string>();
    this.names.set(what, names);
    const thing = `${about}\n${detail}`;
    const known = names.get(thing);
    if (known !== undefined || names.size >= (MOST_NAMES_A_DAY[what] ?? Infinity)) return known ?? null;
    const name = `#${(this.named++).toString(36)}`;
    names.set(thing, name);
    return name;
  }

  addThing(day: number, thing: CountedThing): void {
    this.putTimes({ day, ...thing, times: 1 });
  }

  /** All of it; nothing is left here. */
  take(): CountedOfDays {
    const counted = { views: [...this.views.values()], times: [...this.times.values()] };
    this.clear();
    return counted;
  }

  /** Takes back what could not be written. */
  putBack({ views, times }: CountedOfDays): void {
    for (const one of views) this.putView(one);
    for (const one of times) this.putTimes(one);
  }

  clear(): void {
    this.views = new Map();
    this.times = new Map();
  }

  private putView(added: ViewsOfDay): void {
    const key = `${added.day} ${added.listingId}`;
    this.views.set(key, { ...added, views: added.views + (this.views.get(key)?.views ?? 0) });
  }

  private putTimes(added: TimesOfDay): void {
    const key = [added.day, added.what, added.about, added.detail].join('\n');
    this.times.set(key, { ...added, times: added.times + (this.times.get(key)?.times ?? 0) });
  }
}
