import type { Catalog } from '@plindo/core/catalog';
import type {
  Comparison,
  LearnReport,
  LearnSource,
  LearnedListing,
  LearnedTable,
  NowAndBefore,
  Period,
} from '@plindo/core/learn';
import {
  LEAVES_SOON_IN_DAYS,
  LONGEST_PERIOD_IN_DAYS,
  comparedWith,
  learnReport,
  tableOfReport,
} from '@plindo/core/learn';
import { isKindShown } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import type { VisitCounter } from '../views/visit-counter.js';

const DAY_IN_MS = 86_400_000;

/** Which report is asked for. */
export interface LearnAsk {
  readonly period: Period;
  readonly against: Comparison;
  /** Null for all kinds, and for all listings. */
  readonly kindId: number | null;
  readonly listingId: number | null;
}

/** Tells what visitors looked at, chose and searched. */
export class Learn {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly visits: VisitCounter,
  ) {}

  /** Refused by `request.malformed` for a period that is none, and `request.not-found` for a kind or listing that isn't there. */
  async report(ask: LearnAsk): Promise<LearnReport> {
    return learnReport(await this.asked(ask));
  }

  /** A table of a report with all its rows. Refused as {@link report}, and by `request.not-found` where there is no such table. */
  async table(key: string, ask: LearnAsk): Promise<LearnedTable> {
    const table = tableOfReport(await this.asked(ask), key);
    if (!table) throw Refusal.of('request.not-found');
    return table;
  }

  private async asked({ period, against, kindId, listingId }: LearnAsk): Promise<LearnSource> {
    const days = period.to - period.from + 1;
    if (days < 1) throw malformed('the last day lies before the first', 'to');
    if (days > LONGEST_PERIOD_IN_DAYS) throw malformed('the time is longer than ten years', 'from');
    if (kindId !== null && !this.live.kind(kindId)) throw Refusal.of('request.not-found');
    await this.visits.writeSettled();
    return this.source({ now: period, before: comparedWith(period, against) }, kindId, listingId);
  }

  private async source(
    period: NowAndBefore<Period>,
    kindId: number | null,
    listingId: number | null,
  ): Promise<LearnSource> {
    const { live, store } = this;
    const { views } = store;
    const both = async <T>(ask: (days: Period) => Promise<T>): Promise<NowAndBefore<T>> => {
      const [now, before] = await Promise.all([ask(period.now), ask(period.before)]);
      return { now, before };
    };
    const scene = live.scene();
    const from = (Math.min(period.now.from, period.before.from) - 1) * DAY_IN_MS;
    return {
      ...{ period, kindId, scene },
      listing: listingId === null ? null : await this.ofListing(listingId, both),
      days: await both((days) => views.ofKinds(days)),
      listings: await views.ofListings(period.now, period.before),
      things: await views.timesIn(period.now, period.before),
      firstDay: await views.firstDay(),
      sent: await store.submissions.timesSince(from),
      listingOf: (id, kindId) => listingIn(live.catalog(kindId), id, scene.context.nowInMs),
      leaving: this.leaving(scene.context.nowInMs),
      kinds: live.kinds().filter(isKindShown),
      kindById: (id) => live.kind(id),
      ...{ selections: live.selections(), designs: live.designs() },
    };
  }

  private async ofListing(
    id: number,
    both: (ask: (days: Period) => Promise<LearnSource['days']['now']>) => Promise<LearnSource['days']>,
  ): Promise<LearnSource['listing']> {
    const kind = this.live.kinds().find((one) => this.live.catalog(one.id)?.rowOf(id) !== undefined);
    if (!kind) throw Refusal.of('request.not-found');
    const listing = listingIn(this.live.catalog(kind.id), id, this.live.nowInMs());
    return { listing, days: await both((days) => this.store.views.ofListing(id, days)) };
  }

  private leaving(nowInMs: number): LearnedListing[] {
    return this.live.kinds().flatMap(({ id }) => {
      const catalog = this.live.catalog(id);
      const leaves = catalog?.column('@leavesAt');
      if (!catalog || leaves?.kind !== 'number') return [];
      const rows = leaves.rowsBetween(nowInMs, nowInMs + LEAVES_SOON_IN_DAYS * DAY_IN_MS);
      return [...rows.toRows()]
        .filter((row) => catalog.isOnSite(catalog.ids[row]!, nowInMs))
        .map((row) => listingAt(catalog, row, nowInMs));
    });
  }
}

/** A listing as its catalog has it; without a title where it is gone. */
function listingIn(catalog: Catalog | undefined, id: number, nowInMs: number): LearnedListing {
  const row = catalog?.rowOf(id);
  if (catalog && row !== undefined) return listingAt(catalog, row, nowInMs);
  return { id, kindId: catalog?.kind.id ?? 0, title: '', isOnSite: false, isFeatured: false, leavesAt: null };
}

function listingAt(catalog: Catalog, row: number, nowInMs: number): LearnedListing {
  const id = catalog.ids[row]!;
  const leaves = catalog.column('@leavesAt');
  const leavesAt = leaves?.kind === 'number' ? leaves.values[row]! : NaN;
  return {
    ...{ id, kindId: catalog.kind.id, title: catalog.titleOf(id) },
    ...{ isOnSite: catalog.isOnSite(id, nowInMs), isFeatured: catalog.featuredAt(nowInMs).has(row) },
    leavesAt: Number.isNaN(leavesAt) ? null : leavesAt,
  };
}

function malformed(reason: string, field: string): Refusal {
  return Refusal.of('request.malformed', { reason: `${reason}.` }, field);
}
