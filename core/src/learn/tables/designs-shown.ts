import type { UsedThing } from '../../design/index.js';
import { usesOfDesigns } from '../../design/index.js';
import type { LearnSource } from '../learn-source.js';
import { added } from '../learn-source.js';
import type { WholeTable } from '../learned-table.js';
import { BEFORE, learnedTable, times, words } from '../learned-table.js';

/** A page that was designed, and how often people were shown a page by it. */
export interface ShownDesign {
  readonly thing: UsedThing;
  readonly now: number;
  readonly before: number;
}

export function shownDesigns(source: LearnSource): ShownDesign[] {
  const { designs, kinds, selections, kindById, things, kindId } = source;
  const shown = added(things, (one) => (one.what === 'design' ? one.about : null));
  return usesOfDesigns({ designs, kinds, selections, kindById })
    .filter(({ what, kindId: of }) => what === 'page' && (kindId === null || of === kindId))
    .map((thing) => ({ thing, ...(shown.get(String(thing.designId)) ?? { now: 0, before: 0 }) }))
    .sort((one, other) => other.now - one.now || (one.thing.name < other.thing.name ? -1 : 1));
}

export function designsTable(source: LearnSource, shown: readonly ShownDesign[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'designs', group: 'designs', title: 'Designs that people see' },
      says: 'How often people were shown a page by a design of yours. Cards and parts are seen with the pages that use them.',
      empty: 'No page is designed yet: Plindo makes all of them.',
      chart: { as: 'bars', label: 0, series: [3, 4] },
      columns: [words('Design'), words('Kind'), words('Used on'), times('Shown'), BEFORE],
    },
    shown,
    ({ thing, now, before }) => ({
      cells: [
        thing.name,
        thing.kindId === null ? '' : (source.kindById(thing.kindId)?.many ?? ''),
        thing.uses.join(', ') || 'nothing',
        ...[now, before],
      ],
      link: { on: 'desk', path: `/arrange/pages/${thing.designId}` },
    }),
  );
}
