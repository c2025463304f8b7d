import type { UsedThing } from '../../design/index.js';
import { designsOnKeptPage, isPage, usesOfDesigns } from '../../design/index.js';
import type { LearnSource } from '../learn-source.js';
import { added } from '../learn-source.js';
import type { WholeTable } from '../learned-table.js';
import { BEFORE, learnedTable, times, words } from '../learned-table.js';

/** What visitors are shown by design, as a table says it. */
const SHOWN = { page: 'Page', part: 'Part of pages', card: 'Card', form: 'Form' } as const;
type Shown = keyof typeof SHOWN;

/** A design, and how often people were shown a page with it. */
export interface ShownDesign {
  readonly thing: UsedThing & { readonly what: Shown };
  readonly now: number;
  readonly before: number;
}

export function shownDesigns(source: LearnSource): ShownDesign[] {
  const { designs, kinds, selections, kindById, things, kindId } = source;
  const around = { designs, kinds, selections, kindById };
  const ofPages = added(things, ({ what, about }) => (what === 'design' ? about : null));
  const withPages = designs.filter(isPage).flatMap((page) => {
    const times = ofPages.get(String(page.id));
    return times ? designsOnKeptPage(page, around).map((id) => ({ id, ...times })) : [];
  });
  const shown = added(withPages, ({ id }) => String(id));
  return usesOfDesigns(around)
    .filter((thing): thing is ShownDesign['thing'] => thing.what in SHOWN)
    .filter((thing) => kindId === null || thing.kindId === kindId)
    .map((thing) => ({ thing, ...(shown.get(String(thing.designId)) ?? { now: 0, before: 0 }) }))
    .sort((one, other) => other.now - one.now || (one.thing.name < other.thing.name ? -1 : 1));
}

export function designsTable(source: LearnSource, shown: readonly ShownDesign[]): WholeTable {
  return learnedTable(
    {
      ...{ key: 'designs', group: 'designs', title: 'Designs that people see' },
      says: 'How often people were shown a page by a design of yours. Cards, parts and forms count with the designed pages that show them.',
      empty: 'Nothing is designed yet: Plindo makes all pages and cards.',
      chart: { as: 'bars', label: 0, series: [4, 5] },
      columns: [words('Design'), words('What it is'), words('Kind'), words('Used on'), times('Shown'), BEFORE],
    },
    shown,
    ({ thing, now, before }) => ({
      cells: [
        thing.name,
        SHOWN[thing.what],
        thing.kindId === null ? '' : (source.kindById(thing.kindId)?.many ?? ''),
        thing.uses.join(', ') || 'nothing',
        ...[now, before],
      ],
      link: { on: 'desk', path: designerPath(thing) },
    }),
  );
}

/** Where a design is changed in the Desk. */
export function designerPath({ what, kindId, designId }: ShownDesign['thing']): string {
  if (what === 'card') return `/arrange/${kindId}/cards/${designId}`;
  return what === 'form' ? `/arrange/forms/${designId}` : `/arrange/pages/${designId}`;
}
