import { dayNumberAt } from '../../time/index.js';
import { isIn, stretchOf, stretchesOf } from '../period.js';
import type { LearnSource, SentTimes } from '../learn-source.js';
import { isAsked } from '../learn-source.js';
import type { WholeTable } from '../learned-table.js';
import { day, days, learnedTable, times, words } from '../learned-table.js';

const DAY_IN_MS = 86_400_000;

/** How many submissions came in, and how many were decided, in each day, week or month. */
export function incomingOverTime(source: LearnSource): WholeTable {
  const { period, scene } = source;
  const { zone, locale } = scene.context;
  const stretch = stretchOf(period.now);
  const starts = stretchesOf(period.now, stretch, locale);
  const sent = asked(source);
  const countOf = (moments: readonly (number | null)[]): number[] => {
    const counts = starts.map(() => 0);
    for (const at of moments) {
      const on = at === null ? NaN : dayNumberAt(at, zone);
      if (isIn(on, period.now)) counts[starts.findLastIndex((start) => start <= on)]!++;
    }
    return counts;
  };
  const came = countOf(sent.map(({ createdAt }) => createdAt));
  const decided = countOf(sent.map(({ decidedAt }) => decidedAt));
  const isNothing = [...came, ...decided].every((count) => count === 0);
  return learnedTable(
    {
      ...{ key: 'incoming', group: 'incoming', title: 'What comes in' },
      says: 'How many submissions came in, and how many the office decided.',
      empty: 'Nothing was sent in or decided in this time.',
      chart: { as: 'lines', label: 0, series: [1, 2] },
      columns: [day('From'), times('Came in'), times('Decided')],
    },
    isNothing ? [] : [...starts.entries()],
    ([at, start]) => ({ cells: [start, came[at]!, decided[at]!] }),
  );
}

/** For each kind, how long submissions that were decided in the period had waited, and how many wait now. */
export function waitingTable(source: LearnSource): WholeTable {
  const { period, kindById, scene } = source;
  const { nowInMs, zone } = scene.context;
  const sent = asked(source);
  const kinds = [...new Set(sent.map(({ kindId }) => kindId))].sort((one, other) => one - other);
  const rows = kinds.map((kindId) => {
    const ofKind = sent.filter((one) => one.kindId === kindId);
    const waits = ofKind
      .filter(({ decidedAt }) => decidedAt !== null && isIn(dayNumberAt(decidedAt, zone), period.now))
      .map(({ createdAt, decidedAt }) => (decidedAt! - createdAt) / DAY_IN_MS)
      .sort((one, other) => one - other);
    const open = ofKind.filter(({ state }) => state === 'waiting').map(({ createdAt }) => createdAt);
    const oldest = open.length === 0 ? null : (nowInMs - Math.min(...open)) / DAY_IN_MS;
    return {
      cells: [
        kindById(kindId)?.many ?? 'A kind that is gone',
        ...[waits.length, medianOf(waits), waits.at(-1) ?? null, open.length, oldest],
      ],
      link: { on: 'desk' as const, path: '/run/review' },
    };
  });
  return learnedTable(
    {
      ...{ key: 'waiting', group: 'incoming', title: 'How long senders wait' },
      says: 'How long submissions had waited that the office decided in this time (half of them no longer than “usually”), and how many wait now.',
      empty: 'Nothing was sent in yet.',
      chart: null,
      columns: [
        ...[words('Kind'), times('Decided'), days('Waited usually'), days('Waited at most')],
        ...[times('Wait now'), days('The oldest for')],
      ],
    },
    rows,
    (row) => row,
  );
}

/** The median of numbers in order; null for none. */
export function medianOf(inOrder: readonly number[]): number | null {
  if (inOrder.length === 0) return null;
  const [low, high] = [Math.floor((inOrder.length - 1) / 2), Math.ceil((inOrder.length - 1) / 2)];
  return (inOrder[low]! + inOrder[high]!) / 2;
}

function asked(source: LearnSource): SentTimes[] {
  return source.sent.filter(({ kindId }) => isAsked(source, kindId));
}
