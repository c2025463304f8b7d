import type { Catalog } from '@plindo/core/catalog';
import type { CalendarView } from '@plindo/core/contract';
import type { CalendarEntry, CalendarWhat } from '@plindo/core/listings';
import { CalendarDays, deedWords, leavesAt, ruleFor, stillDue } from '@plindo/core/listings';
import type { ExpiryRule } from '@plindo/core/structure';
import { expiryFaults } from '@plindo/core/structure';
import { Refusal, issue, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { DepartureState, Store } from '../../store/index.js';
import { departureIn } from '../../store/index.js';

/** So many departures and deeds are looked at for one view. */
const MOST_DEPARTURES = 50_000;
const MOST_DEEDS = 500;

/** What a column of moments of the catalog means in the calendar. */
const COLUMNS: readonly (readonly [column: string, what: CalendarWhat, label: string, isEnd: boolean])[] = [
  ['@shownFrom', 'comes', 'come to the site', false],
  ['@leavesAt', 'leaves', 'leave the site', true],
  ['@featuredFrom', 'featured', 'are featured', false],
  ['@featuredUntil', 'unfeatured', 'are featured no longer', true],
];

/** What happens by itself, day by day: what is still to come, and what was done. */
export class Calendar {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** From a moment until before another one, both in milliseconds since 1970. */
  async view(from: number, until: number): Promise<CalendarView> {
    const days = new CalendarDays(this.live.context().zone);
    const begin = Math.max(from, this.live.nowInMs());
    for (const kind of this.live.kinds()) this.addMoments(days, this.live.catalog(kind.id)!, begin, until);
    await this.addConsequences(days, begin, until);
    const done = await this.store.log.byItself(from, until, MOST_DEEDS);
    return {
      coming: days.all(),
      done: done.map(({ id, at, by, sentence, undoneBy }) => {
        return { id, at: new Date(at).toISOString(), by, sentence, undone: undoneBy !== null };
      }),
    };
  }

  /** The ends of windows, as the catalog has them. */
  private addMoments(days: CalendarDays, catalog: Catalog, from: number, until: number): void {
    for (const [key, what, label, isEnd] of COLUMNS) {
      const column = catalog.column(key);
      if (column?.kind !== 'number') continue;
      for (const row of column.rowsBetween(from, until).toRows()) {
        const at = column.values[row]!;
        const isShown = catalog.existing.has(row) && catalog.statusAt(row) === 'live' && at < until;
        const id = catalog.ids[row]!;
        if (isShown) days.add(catalog.kind.id, what, label, { id, title: catalog.titleOf(id), at }, isEnd);
      }
    }
  }

  /** What rules do, as the table of due work has it. */
  private async addConsequences(days: CalendarDays, from: number, until: number): Promise<void> {
    const { formats, zone } = this.live.context();
    for (const row of await this.store.due.departuresUntil(until, MOST_DEPARTURES)) {
      const { kindId } = row.state as DepartureState;
      const catalog = this.live.catalog(kindId);
      const rule = catalog && ruleFor({ expiry: 'by-rule' }, catalog.kind);
      if (!rule) continue;
      for (const { consequence, at } of stillDue(rule, departureIn(row), zone)) {
        if (at < from || at >= until) continue;
        const label = deedWords(consequence.deed, catalog.kind, formats);
        const listing = { id: row.subject, title: catalog.titleOf(row.subject), at };
        days.add(kindId, `then:${consequence.key}`, label, listing, consequence.days === 0);
      }
    }
  }

  /**
   * When the listings of a kind would leave by another rule, from a moment until before another one. Refused by
   * `kind.expiry` and `request.not-found`.
   */
  async whatIf(kindId: number, rule: ExpiryRule | null, from: number, until: number): Promise<CalendarEntry[]> {
    const kind = this.live.kind(kindId);
    if (!kind) throw Refusal.of('request.not-found');
    const after = { ...kind, expiry: rule };
    refuseIfAny(expiryFaults(after).map((reason) => issue('kind.expiry', { reason }, { field: 'expiry' })));
    const { zone } = this.live.context();
    const days = new CalendarDays(zone);
    for await (const stretch of this.store.catalogRows.ofKind(kindId)) {
      for (const listing of stretch) {
        const at = listing.status === 'live' ? leavesAt(listing, after, zone) : null;
        if (at === null || at < from || at >= until) continue;
        days.add(kindId, 'leaves', 'leave the site', { id: listing.id, title: listing.title, at }, true);
      }
    }
    return days.all();
  }
}
