import type { Counted } from '../counting/counted-things.js';
import type { LearnSource } from '../learn-source.js';
import { added, byTimes, viewsOfKinds } from '../learn-source.js';
import type { LearnedRow, WholeTable } from '../learned-table.js';
import { BEFORE, learnedTable, times, words } from '../learned-table.js';

/** Which pages people were shown; all listings of a kind are one entry. */
export function pagesTable(source: LearnSource): WholeTable {
  const { kindById } = source;
  const pages = sumsOf(source, 'page');
  const listings = viewsOfKinds(source);
  const ofPages = [...pages].map(
    ([path, told]) => [told, { cells: [path, told.now, told.before], link: { on: 'site', path } }] as const,
  );
  const ofListings = [...listings].flatMap(([id, told]) => {
    const kind = kindById(Number(id));
    const row: LearnedRow = { cells: [`/${kind?.slug ?? ''}/…`, told.now, told.before] };
    return kind ? [[told, row] as const] : [];
  });
  const all: (readonly [{ now: number; before: number }, LearnedRow])[] = [...ofPages, ...ofListings];
  return learnedTable(
    {
      ...{ key: 'pages', group: 'ways', title: 'Pages' },
      says: 'How often people were shown a page; “…” stands for the pages of all listings of a kind.',
      empty: 'Nobody looked at a page in this time.',
      chart: { as: 'bars', label: 0, series: [1, 2] },
      columns: [words('Page'), times('Shown'), BEFORE],
    },
    all.sort(([one], [other]) => other.now - one.now || other.before - one.before),
    ([, row]) => row,
  );
}

export function arrivalsTable(source: LearnSource): WholeTable {
  return learnedTable(
    {
      ...{ key: 'arrivals', group: 'ways', title: 'Where people come from' },
      says: 'Other sites on which people followed a link to yours. Browsers tell the site, and most of them no more.',
      empty: 'Nobody came in this time.',
      chart: { as: 'bars', label: 0, series: [1, 2] },
      columns: [words('Site'), times('People'), BEFORE],
    },
    [...sumsOf(source, 'arrival')].sort(byTimes),
    ([host, { now, before }]) => ({ cells: [host || 'No site, or not told', now, before] }),
  );
}

function sumsOf({ things }: LearnSource, what: Counted): Map<string, { now: number; before: number }> {
  return added(things, (one) => (one.what === what ? one.about : null));
}
