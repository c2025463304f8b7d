import type { Catalog, NumberColumn } from '../../catalog/index.js';
import { Bitset } from '../../catalog/index.js';
import type { DateGrouping } from '../../structure/index.js';
import { columnOf, fieldAt } from '../../structure/index.js';
import type { TimeUnit } from '../../time/index.js';
import { PeriodFinder, dayNumberAt, nextPeriod } from '../../time/index.js';
import type { CatalogRow, OrderedPart } from '../lists/cut-list.js';
import { withRows } from '../lists/cut-list.js';
import type { QueryScene } from '../filters/scene.js';

/** Empty groups are shown between others up to so many; a stray date a century away doesn't fill the page with them. */
const MOST_EMPTY_GROUPS = 500;

/** One group of the whole result. */
export interface DateGroup {
  /** The first day of its period; null for the listings without a date. */
  readonly start: number | null;
  /** Listings in it, on all pages. */
  readonly count: number;
  /** Whether it is folded, being over. */
  readonly isPast: boolean;
  /** Entries of the result before it; an entry is a listing in a group. */
  readonly offset: number;
}

/** What of a group stands on a page. */
export interface GroupOnPage extends DateGroup {
  readonly ids: readonly number[];
  /** Whether it began on an earlier page, and whether it goes on. */
  readonly isContinued: boolean;
  readonly goesOn: boolean;
}

export interface DateGroups {
  /** All groups in their order. */
  readonly all: readonly DateGroup[];
  readonly onPage: readonly GroupOnPage[];
  /** Entries on all pages; more than listings where spans stand in several groups. */
  readonly entries: number;
}

interface Members {
  readonly start: number | null;
  /** By the position of their kind. */
  readonly rows: (Bitset | undefined)[];
  count: number;
}

/** What of the groups is wanted, and how those of one are put in order. */
export interface GroupedPage {
  readonly cut: (parts: readonly OrderedPart[], offset: number, limit: number) => CatalogRow[];
  readonly page: { readonly offset: number; readonly limit: number };
  readonly scene: QueryScene;
}

/** Parts the found rows into groups by a date, and cuts a page out of them; null when no kind has such a date. */
export function dateGroups(
  parts: readonly OrderedPart[],
  grouping: DateGrouping,
  { cut, page, scene }: GroupedPage,
): DateGroups | null {
  if (!parts.some(({ catalog }) => timeOf(catalog, grouping))) return null;
  const members = new Map<number | null, Members>();
  parts.forEach((part, at) => takeMembers(members, part, at, grouping, scene));
  if (grouping.showsEmpty) addEmpty(members, grouping);
  const all: DateGroup[] = [];
  const onPage: GroupOnPage[] = [];
  const today = dayNumberAt(scene.context.nowInMs, scene.context.zone);
  let offset = 0;
  for (const { start, rows, count } of inOrder(members, grouping, today)) {
    const group = { start, count, isPast: isFolded(start, grouping, today), offset };
    all.push(group);
    const from = Math.max(0, page.offset - offset);
    const limit = Math.min(count - from, page.offset + page.limit - Math.max(offset, page.offset));
    const isHere = count === 0 ? offset > page.offset && offset < page.offset + page.limit : limit > 0;
    if (isHere) {
      const here = count === 0 ? [] : cut(withRows(parts, rows), from, limit);
      const ids = here.map(({ catalog, row }) => catalog.ids[row]!);
      onPage.push({ ...group, ids, isContinued: from > 0, goesOn: from + limit < count });
    }
    offset += count;
  }
  return { all, onPage, entries: offset };
}

/** What the numbers of the date count in a kind's catalog; null when the kind has no such date. */
function timeOf({ kind }: Catalog, { field: key }: DateGrouping): TimeUnit | null {
  const field = fieldAt(kind, key);
  const spec = field && columnOf(field);
  return (spec?.kind === 'number' && spec.time) || null;
}

/** Puts the listings of a kind into the groups by the first days of their periods. */
function takeMembers(
  groups: Map<number | null, Members>,
  { catalog, found }: OrderedPart,
  at: number,
  grouping: DateGrouping,
  scene: QueryScene,
): void {
  const time = timeOf(catalog, grouping);
  const column = time && catalog.column(grouping.field);
  const ends = grouping.spans === 'first' ? null : endsOf(catalog, grouping);
  const finder = new PeriodFinder(grouping.unit, time ?? 'days', scene.context);
  const put = (start: number | null, row: number): void => {
    let group = groups.get(start);
    if (!group) groups.set(start, (group = { start, rows: [], count: 0 }));
    (group.rows[at] ??= new Bitset(found.bits.capacity)).add(row);
    group.count++;
  };
  for (const row of found.list()) {
    if (column?.kind !== 'number' || !column.hasAny(row)) {
      put(null, row);
      continue;
    }
    const first = finder.periodOf(column.values[row]!);
    const end = ends?.values[row] ?? NaN;
    const last = end > column.values[row]! ? finder.periodOf(end) : first;
    for (let start = first; start <= last; start = nextPeriod(start, grouping.unit)) put(start, row);
  }
}

function endsOf(catalog: Catalog, { field, endField }: DateGrouping): NumberColumn | null {
  const column = endField === '' ? catalog.endColumn(field) : catalog.column(endField);
  return column?.kind === 'number' ? column : null;
}

function addEmpty(groups: Map<number | null, Members>, { unit }: DateGrouping): void {
  const starts = [...groups.keys()].filter((start) => start !== null).sort((a, b) => a - b);
  const last = starts.at(-1);
  if (last === undefined) return;
  let added = 0;
  for (let start = starts[0]!; start < last && added < MOST_EMPTY_GROUPS; start = nextPeriod(start, unit)) {
    if (groups.has(start)) continue;
    groups.set(start, { start, rows: [], count: 0 });
    added++;
  }
}

/** In time order, either way; what is over and folded behind the rest, the latest first; undated ones last. */
function inOrder(groups: ReadonlyMap<number | null, Members>, grouping: DateGrouping, today: number): Members[] {
  const dated = [...groups.values()].filter(({ start }) => start !== null);
  const sign = grouping.direction === 'up' ? 1 : -1;
  const rest = dated.filter(({ start }) => !isFolded(start, grouping, today));
  const past = dated.filter(({ start }) => isFolded(start, grouping, today));
  const undated = groups.get(null);
  return [
    ...rest.sort((a, b) => (a.start! - b.start!) * sign),
    ...past.sort((a, b) => b.start! - a.start!),
    ...(undated ? [undated] : []),
  ];
}

function isFolded(start: number | null, { past, unit }: DateGrouping, today: number): boolean {
  return start !== null && past === 'folded' && nextPeriod(start, unit) <= today;
}
