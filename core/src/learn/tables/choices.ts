import { ownSorts, valueLabel } from '../../page/index.js';
import { NO_VALUE, YES_VALUE, kindsOf } from '../../query/index.js';
import type { Facet, Field } from '../../structure/index.js';
import { choosesValues, fieldOfFacet, plainField } from '../../structure/index.js';
import type { LearnAct } from '../acts.js';
import type { Counted } from '../counting/counted-things.js';
import type { LearnSource } from '../learn-source.js';
import { added } from '../learn-source.js';
import type { LearnedList } from '../learned-lists.js';
import type { LearnedRow, WholeTable } from '../learned-table.js';
import { BEFORE, learnedTable, share, times, words } from '../learned-table.js';

/** How often something was counted, now and before, by the list and what of it; `timesOf(list, detail)`. */
export type TimesOf = (list: string, detail: string) => { readonly now: number; readonly before: number };

const NEVER = { now: 0, before: 0 };
/** Visitors have to look at a list this often before Plindo calls something on it unused. */
export const LEAST_LOOKS = 50;
/** Of a facet with more values the table has only those that somebody chose. */
const MOST_VALUES = 200;

/** Counts of one sort, by list and detail. */
export function timesOf({ things }: LearnSource, what: Counted): TimesOf {
  const sums = added(things, (one) => (one.what === what ? `${one.about}\n${one.detail}` : null));
  return (list, detail) => sums.get(`${list}\n${detail}`) ?? NEVER;
}

/** Something of a list that visitors can use, and how often they did. */
export interface UsedChoice {
  readonly list: LearnedList;
  readonly key: string;
  readonly label: string;
  readonly now: number;
  readonly before: number;
  /** How often the list was looked at. */
  readonly looks: number;
}

export function usedFacets(source: LearnSource, lists: Iterable<LearnedList>, used: TimesOf): UsedChoice[] {
  const looks = timesOf(source, 'list');
  return [...lists]
    .flatMap((list) =>
      list.design.facets.map(({ key, label }) => ({
        ...{ list, key, label, ...used(list.key, key), looks: looks(list.key, '').now },
      })),
    )
    .sort(mostFirst);
}

export function usedSorts(source: LearnSource, lists: Iterable<LearnedList>): UsedChoice[] {
  const [used, looks] = [timesOf(source, 'sort'), timesOf(source, 'list')];
  const { words: said } = source.scene.context.formats;
  return [...lists]
    .flatMap((list) => {
      const own = ownSorts(list.design, said).filter(({ key }) => used(list.key, key).now > 0);
      return [...list.design.sortChoices, ...own].map(({ key, label }) => ({
        ...{ list, key, label, ...used(list.key, key), looks: looks(list.key, '').now },
      }));
    })
    .sort(mostFirst);
}

function mostFirst(one: UsedChoice, other: UsedChoice): number {
  return other.now - one.now || other.looks - one.looks || (one.label < other.label ? -1 : 1);
}

/** Whether nobody uses something of a list that many look at. */
export function isNeverUsed({ now, looks }: UsedChoice): boolean {
  return now === 0 && looks >= LEAST_LOOKS;
}

export function facetsTable(facets: readonly UsedChoice[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'facets', group: 'choices', title: 'Facets that people use' },
      says: 'How often somebody chose anything in a facet, and in which share of the visits to its list.',
      empty: 'No list has facets yet.',
      chart: { as: 'bars', label: 0, series: [2, 4] },
      columns: [words('Facet'), words('List'), times('Used'), share('Of visits to the list'), BEFORE],
    },
    facets,
    (one) => choiceRow(one, [shareOf(one)], actOnFacet(one)),
  );
}

export function sortsTable(sorts: readonly UsedChoice[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'sorts', group: 'choices', title: 'Orders that people choose' },
      says: 'How often somebody chose another order than the one that a list has by itself.',
      empty: 'No list offers another order yet.',
      chart: { as: 'bars', label: 0, series: [2, 4] },
      columns: [words('Sort choice'), words('List'), times('Chosen'), share('Of visits to the list'), BEFORE],
    },
    sorts,
    (one) => choiceRow(one, [shareOf(one)], actOnSort(one)),
  );
}

export function facetValuesTable(source: LearnSource, lists: Iterable<LearnedList>, used: TimesOf): WholeTable {
  const chosen = chosenValues(source);
  const rows = [...lists].flatMap((list) =>
    list.design.facets
      .filter(({ control }) => choosesValues(control))
      .flatMap((facet) =>
        valueRows(source, { list, facet, chosen: chosen.get(`${list.key}\n${facet.key}`) ?? [] }, used),
      ),
  );
  return learnedTable(
    {
      ...{ key: 'facet-values', group: 'choices', title: 'Values that people choose' },
      says: 'How often somebody chose a value of a facet; values that nobody chose stand last.',
      empty: 'No list has a facet with values yet.',
      chart: { as: 'bars', label: 0, series: [3, 4] },
      columns: [words('Value'), words('Facet'), words('List'), times('Chosen'), BEFORE],
    },
    rows.sort((one, other) => Number(other.cells[3]) - Number(one.cells[3])),
    (row) => row,
  );
}

/** The values that were chosen, by their list and facet. */
function chosenValues({ things }: LearnSource): Map<string, string[]> {
  const chosen = new Map<string, string[]>();
  for (const { what, about, detail } of things) {
    const end = what === 'facet' ? detail.indexOf('=') : -1;
    if (end < 0) continue;
    const key = `${about}\n${detail.slice(0, end)}`;
    const values = chosen.get(key) ?? [];
    values.push(detail.slice(end + 1));
    chosen.set(key, values);
  }
  return chosen;
}

/** A facet of a list, with the values that were chosen in it. */
interface ChosenFacet {
  readonly list: LearnedList;
  readonly facet: Facet;
  readonly chosen: readonly string[];
}

/** All values of a facet that it has by itself, and those that were chosen of others. */
function valueRows({ scene }: LearnSource, { list, facet, chosen }: ChosenFacet, used: TimesOf): LearnedRow[] {
  const field = fieldOfFacet(facet, list.design, kindsOf(scene));
  if (!field) return [];
  const values = [...new Set([...valuesOf(field), ...chosen])];
  return values.map((value) => {
    const { now, before } = used(list.key, `${facet.key}=${value}`);
    return { cells: [valueLabel(value, facet, field, { scene }), facet.label, list.name, now, before] };
  });
}

function valuesOf(field: Field): readonly string[] {
  if (plainField(field).type === 'yes-no') return [YES_VALUE, NO_VALUE];
  const choices = field.settings.choices ?? [];
  return choices.length > MOST_VALUES ? [] : choices.map(({ key }) => key);
}

function shareOf({ now, looks }: UsedChoice): number | null {
  return looks === 0 ? null : Math.min(1, now / looks);
}

export function actOnFacet({ list, key, label }: UsedChoice): LearnAct {
  return list.isOfKind && list.kindId !== null
    ? { do: 'take-off-facet', kindId: list.kindId, key, label }
    : arrange(list, 'Change its facets');
}

export function actOnSort({ list, key, label }: UsedChoice): LearnAct {
  return list.isOfKind && list.kindId !== null
    ? { do: 'take-off-sort', kindId: list.kindId, key, label }
    : arrange(list, 'Change its sort choices');
}

function arrange({ desk }: LearnedList, said: string): LearnAct {
  return { do: 'go', on: 'desk', path: desk, words: said };
}

function choiceRow(one: UsedChoice, more: readonly (number | null)[], act: LearnAct): LearnedRow {
  const { label, list, now, before } = one;
  return {
    cells: [label, list.name, now, ...more, before],
    link: { on: 'desk', path: list.desk },
    ...(isNeverUsed(one) && { acts: [act] }),
  };
}
