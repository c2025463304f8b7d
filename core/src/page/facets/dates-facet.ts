import type { DaySpan, FacetCounts } from '../../query/index.js';
import { textOfDays, withChoice } from '../../query/index.js';
import type { Facet } from '../../structure/index.js';
import { dateFromDayNumber } from '../../structure/index.js';
import { decadeStart, nextDecade, nextPeriod, periodStart, yearOfDay } from '../../time/index.js';
import type { Formats } from '../../values/index.js';
import type { DatesFacetModel, PeriodModel } from '../areas/area-models.js';
import type { FacetScene } from './facet-scene.js';
import { choiceIn, formatsOf } from './facet-scene.js';

const DAY_IN_MS = 86_400_000;
/** Dates that span fewer years are offered by month; those of more than so many by decade; all others by year. */
const YEARS_BY_MONTH = 3;
const MOST_YEARS = 40;
/** A strip shows so many periods at most; where there are more, only those with listings. */
const MOST_PERIODS = 60;

type DateCounts = Extract<FacetCounts, { kind: 'dates' }>;
type Strip = DatesFacetModel['strips'][number];

/** Days, months, years and decades to choose from, as many as can be taken in. */
export function datesModel(
  facet: Facet,
  counts: DateCounts,
  scene: FacetScene,
): Omit<DatesFacetModel, 'name' | 'open'> {
  const formats = formatsOf(scene);
  const { bounds } = counts;
  const chosen = choiceIn(scene, facet, 'dates') ?? { from: null, to: null };
  const write = (day: number | null): string => (day === null ? '' : dateFromDayNumber(day));
  const show = (day: number): string => formats.date(day * DAY_IN_MS);
  return {
    control: 'dates',
    key: facet.key,
    label: facet.label,
    bounds: bounds && {
      from: write(bounds.least),
      to: write(bounds.greatest),
      sentence: formats.words.say('days.between', { from: show(bounds.least), to: show(bounds.greatest) }),
    },
    from: write(chosen.from),
    to: write(chosen.to),
    strips: bounds
      ? stripsOf(counts, bounds, chosen, (step, start, count) => periodModel(step, start, count, facet, scene))
      : [],
  };
}

/** A unit of a strip: where its periods begin and end, and what they are called. */
interface Step {
  readonly counts: (counts: DateCounts) => ReadonlyMap<number, number>;
  startOf(day: number): number;
  next(start: number): number;
  label(start: number, formats: Formats): string;
  short(start: number, formats: Formats): string;
}

const yearText = (start: number): string => String(yearOfDay(start));
const decadeText = (start: number, { words }: Formats): string => words.say('days.decade', { year: yearText(start) });

const MONTHS: Step = {
  counts: ({ months }) => months,
  startOf: (day) => periodStart(day, 'month'),
  next: (start) => nextPeriod(start, 'month'),
  label: (start, formats) => formats.month(start * DAY_IN_MS),
  short: (start, formats) => formats.shortMonth(start * DAY_IN_MS),
};
const YEARS: Step = {
  counts: ({ years }) => years,
  startOf: (day) => periodStart(day, 'year'),
  next: (start) => nextPeriod(start, 'year'),
  label: yearText,
  short: yearText,
};
const DECADES: Step = {
  counts: ({ decades }) => decades,
  startOf: decadeStart,
  next: nextDecade,
  label: decadeText,
  short: decadeText,
};

type Modelled = (step: Step, start: number, count: number) => PeriodModel;

function stripsOf(
  counts: DateCounts,
  { least, greatest }: { readonly least: number; readonly greatest: number },
  chosen: DaySpan,
  model: Modelled,
): Strip[] {
  const years = yearOfDay(greatest) - yearOfDay(least) + 1;
  const periods = (step: Step, within?: number): Strip['periods'] => {
    const all = [...step.counts(counts)].filter(([start]) => within === undefined || isWithin(start, within, step));
    const found = new Map(all);
    return shown([...found.keys()], step).map((start) => model(step, start, found.get(start) ?? 0));
  };
  const isWithin = (start: number, outer: number, step: Step): boolean => {
    const end = step === MONTHS ? nextPeriod(outer, 'year') : nextDecade(outer);
    return start >= outer && start < end;
  };
  if (years <= YEARS_BY_MONTH) return monthsByYear(periods(MONTHS));
  const byDecade = years > MOST_YEARS;
  const strips: Strip[] = [{ label: '', periods: periods(byDecade ? DECADES : YEARS) }];
  const [decade, year] = [insideOf(chosen, DECADES), insideOf(chosen, YEARS)];
  if (byDecade && decade !== null)
    strips.push({ label: `${yearOfDay(decade)}–${yearOfDay(decade) + 9}`, periods: periods(YEARS, decade) });
  if (year !== null) strips.push({ label: yearText(year), periods: periods(MONTHS, year) });
  return strips;
}

/** Where the one period begins that all chosen days lie in; null where they lie in several. */
function insideOf({ from, to }: DaySpan, step: Step): number | null {
  if (from === null || to === null) return null;
  const start = step.startOf(from);
  return start === step.startOf(to) ? start : null;
}

/** All periods from the first to the last; where those are too many, only those with listings, the first ones. */
function shown(found: readonly number[], step: Step): number[] {
  const used = [...found].sort((a, b) => a - b);
  const [first, last] = [used[0], used.at(-1)];
  if (first === undefined || last === undefined) return [];
  const all: number[] = [];
  for (let start = first; start <= last && all.length <= MOST_PERIODS; start = step.next(start)) all.push(start);
  return all.length > MOST_PERIODS ? used.slice(0, MOST_PERIODS) : all;
}

function periodModel(step: Step, start: number, count: number, facet: Facet, scene: FacetScene): PeriodModel {
  const formats = formatsOf(scene);
  const span = { from: start, to: step.next(start) - 1 };
  const choice = choiceIn(scene, facet, 'dates');
  // A period inside a longer span is shown as chosen, and choosing it narrows the span to it.
  const isAlone = choice?.from === span.from && choice.to === span.to;
  const isInside = choice !== null && (choice.from ?? start) <= start && (choice.to ?? span.to) >= span.to;
  return {
    value: textOfDays(span),
    label: step.label(start, formats),
    short: step.short(start, formats),
    count,
    chosen: isInside,
    href: scene.hrefOf(withChoice(scene.query, facet.key, isAlone ? null : { kind: 'dates', ...span })),
  };
}

function monthsByYear(months: Strip['periods']): Strip[] {
  const yearOf = ({ value }: PeriodModel): string => value.slice(0, 4);
  const years = [...new Set(months.map(yearOf))];
  return years.map((label) => ({ label, periods: months.filter((month) => yearOf(month) === label) }));
}

/** Chosen days in words: "December 2026", "1990s", "from 5 December 2026". */
export function daysWords({ from, to }: DaySpan, formats: Formats): string {
  const { words } = formats;
  const show = (day: number): string => formats.date(day * DAY_IN_MS);
  if (from !== null && to !== null) {
    if (from === to) return show(from);
    const text = textOfDays({ from, to });
    if (/^\d{4}$/.test(text)) return text;
    if (/^\d{4}-\d{2}$/.test(text)) return formats.month(from * DAY_IN_MS);
    if (decadeStart(from) === from && nextDecade(from) - 1 === to) return decadeText(from, formats);
    return words.say('days.between', { from: show(from), to: show(to) });
  }
  if (from !== null) return words.say('days.from', { from: show(from) });
  return to === null ? '' : words.say('days.to', { to: show(to) });
}
