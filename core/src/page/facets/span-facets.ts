import type { FacetCounts } from '../../query/index.js';
import { monthSpan, textOfDays, withChoice } from '../../query/index.js';
import type { Facet, Field } from '../../structure/index.js';
import { RANGE_MARK, columnOf, dateFromDayNumber, plainField, starsOf } from '../../structure/index.js';
import { nextPeriod } from '../../time/index.js';
import type { Formats, SiteWords } from '../../values/index.js';
import { unitSymbol } from '../../values/index.js';
import type { FacetScene } from './facet-scene.js';
import { choiceIn, formatsOf } from './facet-scene.js';
import type {
  DatesFacetModel,
  FacetStepModel,
  MonthModel,
  RangeFacetModel,
  RatingFacetModel,
} from '../areas/area-models.js';

const DAY_IN_MS = 86_400_000;
/** The strip shows so many months at most: the chosen ones and those with listings come first. */
const MOST_MONTHS = 60;

type Counts<Kind extends FacetCounts['kind']> = Extract<FacetCounts, { kind: Kind }>;

export function rangeModel(
  facet: Facet,
  field: Field,
  { bounds, histogram }: Counts<'range'>,
  scene: FacetScene,
): Omit<RangeFacetModel, 'name' | 'open'> {
  const spec = columnOf(field);
  const write = (bound: number | null): string =>
    bound === null || spec?.kind !== 'number' ? '' : spec.boundToText(bound, field);
  const show = (bound: number): string =>
    spec?.kind === 'number' ? spec.formatBound(bound, field, formatsOf(scene)) : '';
  const chosen = choiceIn(scene, facet, 'range') ?? { least: null, greatest: null };
  return {
    control: 'range',
    key: facet.key,
    label: facet.label,
    inputType: plainField(field).type === 'date' ? 'date' : 'number',
    unit: unitText(field),
    bounds: bounds && {
      from: write(bounds.least),
      to: write(bounds.greatest),
      sentence: formatsOf(scene).words.say('range.between', { from: show(bounds.least), to: show(bounds.greatest) }),
    },
    from: write(chosen.least),
    to: write(chosen.greatest),
    histogram,
  };
}

function unitText(field: Field): string {
  const { type } = plainField(field);
  if (type === 'measure') return unitSymbol(field.settings.unit ?? 'm');
  if (type === 'money') return field.settings.currency ?? '';
  return field.settings.after ?? '';
}

export function ratingModel(
  facet: Facet,
  field: Field,
  { counts }: Counts<'at-least'>,
  scene: FacetScene,
): Omit<RatingFacetModel, 'name' | 'open'> {
  const stars = starsOf(field);
  const least = choiceIn(scene, facet, 'range')?.least ?? null;
  const steps = Array.from({ length: stars - 1 }, (_, at): FacetStepModel => {
    const from = stars - at;
    const chosen = least === from;
    return {
      value: `${from}${RANGE_MARK}`,
      label: formatsOf(scene).words.say(from === stars ? 'stars.all' : 'stars.least', { count: from }),
      count: counts[from] ?? 0,
      chosen,
      href: scene.hrefOf(
        withChoice(scene.query, facet.key, chosen ? null : { kind: 'range', least: from, greatest: null }),
      ),
    };
  });
  return { control: 'rating', key: facet.key, label: facet.label, stars, steps };
}

export function datesModel(
  facet: Facet,
  { bounds, months }: Counts<'dates'>,
  scene: FacetScene,
): Omit<DatesFacetModel, 'name' | 'open'> {
  const formats = formatsOf(scene);
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
    years: byYear(monthsShown(months).map((start) => monthModel(start, months.get(start) ?? 0, facet, scene))),
  };
}

/** All months from the first to the last; where those are too many, only those with listings, the first ones. */
function monthsShown(months: ReadonlyMap<number, number>): number[] {
  const used = [...months.keys()].sort((a, b) => a - b);
  const [first, last] = [used[0], used.at(-1)];
  if (first === undefined || last === undefined) return [];
  const all: number[] = [];
  for (let start = first; start <= last && all.length <= MOST_MONTHS; start = nextPeriod(start, 'month')) {
    all.push(start);
  }
  return all.length > MOST_MONTHS ? used.slice(0, MOST_MONTHS) : all;
}

function monthModel(start: number, count: number, facet: Facet, scene: FacetScene): MonthModel & { year: string } {
  const formats = formatsOf(scene);
  const span = monthSpan(start);
  const choice = choiceIn(scene, facet, 'dates');
  // A month inside a longer span is shown as chosen, and choosing it narrows the span to it.
  const isAlone = choice?.from === span.from && choice.to === span.to;
  const isInside = choice !== null && (choice.from ?? start) <= start && (choice.to ?? span.to!) >= span.to!;
  return {
    value: textOfDays(span),
    label: formats.month(start * DAY_IN_MS),
    short: formats.shortMonth(start * DAY_IN_MS),
    year: dateFromDayNumber(start).slice(0, 4),
    count,
    chosen: isInside,
    href: scene.hrefOf(withChoice(scene.query, facet.key, isAlone ? null : { kind: 'dates', ...span })),
  };
}

function byYear(months: readonly (MonthModel & { year: string })[]): DatesFacetModel['years'] {
  const years = [...new Set(months.map(({ year }) => year))];
  return years.map((label) => ({
    label,
    months: months.filter(({ year }) => year === label).map(({ year: _, ...month }) => month),
  }));
}

/** A chosen range in words. */
export function rangeWords(
  { least, greatest }: { least: number | null; greatest: number | null },
  show: (bound: number) => string,
  words: SiteWords,
): string {
  if (least !== null && greatest !== null) {
    return words.say('range.between', { from: show(least), to: show(greatest) });
  }
  if (least !== null) return words.say('range.from', { from: show(least) });
  return greatest === null ? '' : words.say('range.to', { to: show(greatest) });
}

/** Chosen days in words: "December 2026", "from 5 December 2026". */
export function daysWords({ from, to }: { from: number | null; to: number | null }, formats: Formats): string {
  const { words } = formats;
  const show = (day: number): string => formats.date(day * DAY_IN_MS);
  if (from !== null && to !== null) {
    if (from === to) return show(from);
    const text = textOfDays({ from, to });
    if (/^\d{4}$/.test(text)) return text;
    if (/^\d{4}-\d{2}$/.test(text)) return formats.month(from * DAY_IN_MS);
    return words.say('days.between', { from: show(from), to: show(to) });
  }
  if (from !== null) return words.say('days.from', { from: show(from) });
  return to === null ? '' : words.say('days.to', { to: show(to) });
}
