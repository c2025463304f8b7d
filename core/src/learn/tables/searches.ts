import { categoryOf, chipLabels } from '../../page/index.js';
import { kindsOf, queryFromUrl } from '../../query/index.js';
import type { LearnAct } from '../acts.js';
import type { Counted, StateOfList } from '../counting/counted-things.js';
import { deadEndOf } from '../counting/counted-things.js';
import type { LearnSource } from '../learn-source.js';
import { added, byTimes } from '../learn-source.js';
import type { LearnedList } from '../learned-lists.js';
import type { LearnedRow, WholeTable } from '../learned-table.js';
import { BEFORE, learnedTable, times, words } from '../learned-table.js';

/** Something that was counted of a list that still is there. */
export interface CountedOfList {
  readonly list: LearnedList;
  readonly detail: string;
  readonly now: number;
  readonly before: number;
}

type Lists = ReadonlyMap<string, LearnedList>;

/** What was counted of a sort, the most of the period first. */
export function countedOfLists({ things }: LearnSource, lists: Lists, what: Counted): CountedOfList[] {
  const sums = added(things, (one) =>
    one.what === what && lists.has(one.about) ? `${one.about}\n${one.detail}` : null,
  );
  return [...sums].sort(byTimes).map(([key, told]) => {
    const [list = '', detail = ''] = key.split('\n');
    return { list: lists.get(list)!, detail, ...told };
  });
}

export function searchesTable(searches: readonly CountedOfList[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'searches', group: 'searches', title: 'Searches' },
      says: 'What people searched for. Words that may tell of a person, such as e-mail addresses and telephone numbers, are never kept.',
      empty: 'Nobody searched in this time.',
      chart: { as: 'bars', label: 0, series: [2, 3] },
      columns: [words('Words'), words('List'), times('Searched'), BEFORE],
    },
    searches,
    (one) => ({ cells: [one.detail, one.list.name, one.now, one.before], ...linkTo(one, searchState(one)) }),
  );
}

export function missedTable(missed: readonly CountedOfList[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'missed', group: 'searches', title: 'Searches that found nothing' },
      says: 'What people searched for when nothing was found, with no filter chosen.',
      empty: 'Every search found something.',
      chart: { as: 'bars', label: 0, series: [2, 3] },
      columns: [words('Words'), words('List'), times('Searched'), BEFORE],
    },
    missed,
    (one) => ({
      cells: [one.detail, one.list.name, one.now, one.before],
      ...linkTo(one, searchState(one)),
      acts: actsOnMissed(one),
    }),
  );
}

export function actsOnMissed(one: CountedOfList): LearnAct[] {
  const { list, detail } = one;
  const add: LearnAct =
    list.kindId === null
      ? { do: 'go', on: 'desk', path: list.desk, words: 'Look at the list' }
      : { do: 'add-word', kindId: list.kindId, words: detail };
  return [add, ...see(one, searchState(one))];
}

export function deadEndsTable(source: LearnSource, deadEnds: readonly CountedOfList[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'dead-ends', group: 'searches', title: 'Where people give up' },
      says: 'What people had chosen in the filters of a list, or in the page of a category, and searched there, when no listing was left.',
      empty: 'The filters never left anybody without a listing.',
      chart: { as: 'bars', label: 0, series: [2, 3] },
      columns: [words('Chosen'), words('List'), times('People'), BEFORE],
    },
    deadEnds,
    (one) => ({
      cells: [chosenWords(source, one), one.list.name, one.now, one.before],
      ...linkTo(one, deadEndOf(one.detail)),
      acts: actsOnDeadEnd(one),
    }),
  );
}

export function actsOnDeadEnd(one: CountedOfList): LearnAct[] {
  return [
    ...see(one, deadEndOf(one.detail)),
    { do: 'go', on: 'desk', path: one.list.desk, words: 'Change the filters' },
  ];
}

/** What was chosen at a dead end, in words: "Type: Box berth; Facilities: Crane"; the category on whose page it was goes first. */
export function chosenWords(source: LearnSource, one: CountedOfList): string {
  const { scene, kindById } = source;
  const { design, kindId } = one.list;
  const { category, state } = deadEndOf(one.detail);
  const query = queryFromUrl(new URLSearchParams(state), design, kindsOf(scene));
  const kind = kindId === null ? undefined : kindById(kindId);
  const within = kind && category !== null ? (categoryOf(kind, category)?.category.label ?? category) : category;
  return [...(within === null ? [] : [within]), ...chipLabels(design, query, scene)].join('; ') || state;
}

/** The page of a list in a state, where it has one. */
function linkTo({ list: { path } }: CountedOfList, { category, state }: StateOfList): Pick<LearnedRow, 'link'> {
  if (path === null) return {};
  return { link: { on: 'site', path: `${path}${category === null ? '' : `/${category}`}?${state}` } };
}

function searchState({ detail }: CountedOfList): StateOfList {
  return { category: null, state: String(new URLSearchParams({ q: detail })) };
}

/** To look at a list as somebody saw it. */
function see(one: CountedOfList, state: StateOfList): LearnAct[] {
  const { link } = linkTo(one, state);
  return link ? [{ do: 'go', ...link, words: 'See what they saw' }] : [];
}
