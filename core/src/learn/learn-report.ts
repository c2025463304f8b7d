import type { LearnStep } from './acts.js';
import type { Counted } from './counting/counted-things.js';
import type { LearnSource, NowAndBefore } from './learn-source.js';
import { added, isAsked } from './learn-source.js';
import type { LearnedList } from './learned-lists.js';
import { learnedLists } from './learned-lists.js';
import type { LearnedTable, WholeTable } from './learned-table.js';
import { withRows } from './learned-table.js';
import type { Told } from './next-steps.js';
import { nextSteps } from './next-steps.js';
import type { Period } from './period.js';
import { firstDayByDay, isIn } from './period.js';
import { dayNumberAt } from '../time/index.js';
import type { TimesOf } from './tables/choices.js';
import { facetValuesTable, facetsTable, sortsTable, timesOf, usedFacets, usedSorts } from './tables/choices.js';
import { designsTable, shownDesigns } from './tables/designs-shown.js';
import { incomingOverTime, waitingTable } from './tables/incoming.js';
import {
  leavingListings,
  leavingSoon,
  mostViewed,
  rising,
  viewedListings,
  viewsByKind,
} from './tables/listings-viewed.js';
import { countedOfLists, deadEndsTable, missedTable, searchesTable } from './tables/searches.js';
import { viewsOverTime } from './tables/views-over-time.js';
import { arrivalsTable, pagesTable } from './tables/ways.js';

/** What can be learned of a period. */
export interface LearnReport {
  readonly period: Period;
  readonly before: Period;
  /** The first day of which anything is kept; null for nothing at all. */
  readonly firstDay: number | null;
  /** Whether part of it is kept by month: then a month counts whole when its first day is in the period. */
  readonly isByMonth: boolean;
  /** The numbers that stand above all tables. */
  readonly totals: readonly LearnTotal[];
  /** What to do about it, the most pressing first. */
  readonly steps: readonly LearnStep[];
  readonly tables: readonly LearnedTable[];
}

export interface LearnTotal {
  readonly label: string;
  readonly now: number;
  readonly before: number;
}

/** A report shows no more rows of a table; {@link tableOfReport} has them all. */
const MOST_SHOWN_ROWS = 1000;

export function learnReport(source: LearnSource): LearnReport {
  const { period, firstDay, scene } = source;
  const told = toldBy(source);
  const byDayFrom = firstDayByDay(dayNumberAt(scene.context.nowInMs, scene.context.zone));
  return {
    ...{ period: period.now, before: period.before, firstDay },
    isByMonth: firstDay !== null && firstDay < byDayFrom && Math.min(period.now.from, period.before.from) < byDayFrom,
    totals: totalsOf(source),
    steps: nextSteps(source, told),
    tables: tablesOf(source, told).map((table) => withRows(table, MOST_SHOWN_ROWS)),
  };
}

/** One table of a report with all its rows; undefined where there is no such table. */
export function tableOfReport(source: LearnSource, key: string): LearnedTable | undefined {
  const table = tablesOf(source, toldBy(source)).find((one) => one.key === key);
  return table && withRows(table);
}

interface ToldBySource extends Told {
  readonly lists: ReadonlyMap<string, LearnedList>;
  readonly usedOfFacets: TimesOf;
}

/** What several tables and the steps are made of. */
function toldBy(source: LearnSource): ToldBySource {
  const lists = learnedLists(source);
  const viewed = viewedListings(source);
  const usedOfFacets = timesOf(source, 'facet');
  return {
    ...{ lists, viewed, usedOfFacets, leaving: leavingListings(source, viewed) },
    ...{ facets: usedFacets(source, lists.values(), usedOfFacets), sorts: usedSorts(source, lists.values()) },
    missed: countedOfLists(source, lists, 'missed').filter(({ now }) => now > 0),
    deadEnds: countedOfLists(source, lists, 'dead-end').filter(({ now }) => now > 0),
    designs: shownDesigns(source),
  };
}

function tablesOf(source: LearnSource, told: ToldBySource): WholeTable[] {
  const { lists, viewed, leaving, facets, sorts, missed, deadEnds, designs, usedOfFacets } = told;
  return [
    viewsOverTime(source),
    viewsByKind(source),
    mostViewed(source, viewed),
    rising(source, viewed),
    leavingSoon(source, leaving),
    pagesTable(source),
    arrivalsTable(source),
    facetsTable(facets),
    facetValuesTable(source, lists.values(), usedOfFacets),
    sortsTable(sorts),
    searchesTable(countedOfLists(source, lists, 'search')),
    missedTable(missed),
    deadEndsTable(source, deadEnds),
    incomingOverTime(source),
    waitingTable(source),
    designsTable(source, designs),
  ];
}

function totalsOf(source: LearnSource): LearnTotal[] {
  const { days: viewed, things, sent, period, scene } = source;
  const viewsIn = (all: LearnSource['days']['now']): number =>
    all.filter(({ kindId }) => isAsked(source, kindId)).reduce((sum, { views }) => sum + views, 0);
  const sumOf = (what: Counted): NowAndBefore<number> => {
    const [sum = { now: 0, before: 0 }] = added(things, (one) => (one.what === what ? '' : null)).values();
    return sum;
  };
  const cameIn = (days: Period): number =>
    sent.filter(({ createdAt }) => isIn(dayNumberAt(createdAt, scene.context.zone), days)).length;
  return [
    { label: 'Views of listings', now: viewsIn(viewed.now), before: viewsIn(viewed.before) },
    { label: 'Arrivals', ...sumOf('arrival') },
    { label: 'Searches', ...sumOf('search') },
    { label: 'Submissions', now: cameIn(period.now), before: cameIn(period.before) },
  ];
}
