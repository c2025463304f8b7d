import { movedDay, periodStart } from '../../time/index.js';
import type { Period, Stretch } from '../period.js';
import { stretchOf, stretchesOf } from '../period.js';
import type { LearnSource } from '../learn-source.js';
import { isAsked } from '../learn-source.js';
import type { WholeTable } from '../learned-table.js';
import { BEFORE, day, learnedTable, times } from '../learned-table.js';

const LABELS: Readonly<Record<Stretch, string>> = { day: 'Day', week: 'Week from', month: 'Month from' };

/** How often listings were looked at in each day, week or month of the period, beside the one that it is compared with. */
export function viewsOverTime(source: LearnSource): WholeTable {
  const { period, listing, scene } = source;
  const days = listing?.days ?? source.days;
  const stretch = stretchOf(period.now);
  const { locale } = scene.context;
  const starts = stretchesOf(period.now, stretch, locale);
  const asked = (all: LearnSource['days']['now']): LearnSource['days']['now'] =>
    all.filter(({ kindId }) => isAsked(source, kindId));
  const now = sums(asked(days.now), starts);
  const before = sums(asked(days.before), startsBefore(starts, period, stretch));
  const told = asked([...days.now, ...days.before]);
  return learnedTable(
    {
      ...{ key: 'views-over-time', group: 'views' },
      title: listing ? `Views of ${listing.listing.title} over time` : 'Views over time',
      says: 'How often people looked at pages of listings.',
      empty: 'Nobody looked at a listing in this time.',
      chart: { as: 'lines', label: 0, series: [1, 2] },
      columns: [day(LABELS[stretch]), times('Views'), BEFORE],
    },
    told.length === 0 ? [] : [...starts.entries()],
    ([at, start]) => ({ cells: [start, now[at]!, before[at]!] }),
  );
}

/** Where the stretches of the period before begin, each beside the one that it is compared with. */
function startsBefore(
  starts: readonly number[],
  { now, before }: { readonly now: Period; readonly before: Period },
  stretch: Stretch,
): number[] {
  const isOfMonths = stretch === 'month' && periodStart(before.from, 'month') === before.from;
  return starts.map((start, at) =>
    isOfMonths ? movedDay(before.from, at, 'month') : before.from + (start - now.from),
  );
}

/** What lies from each start until before the next; `starts` are in order. */
function sums(days: LearnSource['days']['now'], starts: readonly number[]): number[] {
  const found = starts.map(() => 0);
  for (const { day: at, views } of days) {
    const place = starts.findLastIndex((start) => start <= at);
    if (place >= 0) found[place]! += views;
  }
  return found;
}
