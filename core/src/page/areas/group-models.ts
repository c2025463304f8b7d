import type { DateGroup, DateGroups, ListDesign, Query } from '../../query/index.js';
import type { DateGrouping } from '../../structure/index.js';
import { nextPeriod, isoWeekOf, periodKey } from '../../time/index.js';
import type { Formats } from '../../values/index.js';
import type { HrefOf } from '../facets/facet-scene.js';
import type { CardModel } from '../cards/card-model.js';
import type { DateGroupModel, JumpModel } from './area-models.js';

const DAY_IN_MS = 86_400_000;
const UNDATED_KEY = 'undated';

/** The groups that stand on a page, with their cards. */
export function groupModels(
  { grouping }: Pick<ListDesign, 'grouping'>,
  groups: DateGroups | null,
  formats: Formats,
  cardFor: (id: number) => CardModel | null,
): DateGroupModel[] {
  if (!grouping || !groups) return [];
  return groups.onPage.map(({ start, count, isPast, isContinued, goesOn, ids }) => ({
    key: keyOf(start, grouping),
    label: labelOf(start, grouping, formats),
    count,
    isPast,
    isContinued,
    goesOn,
    cards: ids.flatMap((id) => cardFor(id) ?? []),
  }));
}

/** All groups of the result with the page, and the place on it, where each begins. */
export function jumpModels(
  { grouping, pageSize }: Pick<ListDesign, 'grouping' | 'pageSize'>,
  query: Query,
  groups: DateGroups | null,
  formats: Formats,
  hrefOf: HrefOf,
): JumpModel[] {
  if (!grouping || !groups || groups.all.length < 2) return [];
  const here = new Set(groups.onPage.map(({ start }) => start));
  return groups.all.map((group) => ({
    key: keyOf(group.start, grouping),
    isHere: here.has(group.start),
    label: labelOf(group.start, grouping, formats),
    count: group.count,
    href: `${hrefOf(pageOf(group, query, pageSize))}#${anchorOf(keyOf(group.start, grouping))}`,
  }));
}

/** What stands behind # for a group. */
function anchorOf(key: string): string {
  return `group-${key}`;
}

function pageOf({ offset }: DateGroup, query: Query, pageSize: number): Query {
  const page = Math.floor(offset / pageSize) + 1;
  // What "show more" has put on this page already is jumped to here.
  return query.fromFirst && page <= query.page ? query : { ...query, page, fromFirst: false };
}

function keyOf(start: number | null, { unit }: DateGrouping): string {
  return start === null ? UNDATED_KEY : periodKey(start, unit);
}

/** The heading of a group in the locale's manner: "December 2026", "Week 49, 30 November – 6 December 2026". */
function labelOf(start: number | null, { unit, undatedLabel }: DateGrouping, formats: Formats): string {
  const { words } = formats;
  if (start === null) return undatedLabel || words.say('group.undated');
  const moment = start * DAY_IN_MS;
  switch (unit) {
    case 'day':
      return formats.weekday(moment);
    case 'month':
      return formats.month(moment);
    case 'year':
      return periodKey(start, unit);
    case 'quarter':
      return formats.days(moment, (nextPeriod(start, unit) - 1) * DAY_IN_MS);
    case 'week':
    case 'iso-week': {
      const days = formats.days(moment, (start + 6) * DAY_IN_MS);
      return unit === 'week' ? days : words.say('group.week', { week: isoWeekOf(start).week, days });
    }
  }
}
