import type { ChosenTest, PageDesign, ShownWhen, Viewer } from '../../design/index.js';
import type { ListArea } from '../areas/list-area.js';
import type { ShownListing } from '../cards/reached-values.js';
import { holdsOf } from '../cards/slot-value.js';

/** What it depends on whether a strip or a piece is shown. */
export interface ShownScene {
  readonly shown: ShownListing | null;
  /** The keys of the category that the page is about and of those above it; none for a page of no category. */
  readonly categories: readonly string[];
  readonly areas: readonly ListArea[];
  readonly viewer: Viewer;
}

/** The page without the strips and pieces whose conditions don't hold. */
export function shownOf(page: PageDesign, scene: ShownScene): PageDesign {
  const isShown = (one: Shown): boolean =>
    conditionsOf(one).every((when) => when.screens !== 'none' && holds(when, scene));
  const strips = page.strips.filter(isShown).map((strip) => ({
    ...strip,
    columns: strip.columns.map((column) => ({ ...column, pieces: column.pieces.filter(isShown) })),
  }));
  return { ...page, strips };
}

/** Whether a page shows people who have signed in something else than visitors. */
export function dependsOnViewer({ strips }: Pick<PageDesign, 'strips'>): boolean {
  const asks = (one: Shown): boolean => conditionsOf(one).some(({ viewer }) => viewer !== 'anyone');
  return strips.some((strip) => asks(strip) || strip.columns.some(({ pieces }) => pieces.some(asks)));
}

/** The screens on which something is shown; undefined for all of them, 'none' where what it stands in is for others. */
export function screensOf(one: Shown): 'narrow' | 'wide' | 'none' | undefined {
  const asked = new Set(conditionsOf(one).map(({ screens }) => screens));
  asked.delete('all');
  if (asked.size > 1) return 'none';
  const [screens] = asked;
  return screens === 'all' ? undefined : screens;
}

type Shown = ShownWhen & { readonly within?: readonly ShownWhen[] };

function conditionsOf(one: Shown): readonly ShownWhen[] {
  return one.within ? [one, ...one.within] : [one];
}

function holds({ showWhen, categories, chosen, viewer }: ShownWhen, scene: ShownScene): boolean {
  if (showWhen && !(scene.shown && holdsOf(showWhen, scene.shown))) return false;
  if (categories.length > 0 && !categories.some((key) => scene.categories.includes(key))) return false;
  if (viewer !== 'anyone' && viewer !== scene.viewer) return false;
  return chosen.every((test) => isChosen(test, scene.areas) !== test.not);
}

function isChosen({ list, facet, values }: ChosenTest, areas: readonly ListArea[]): boolean {
  const choice = areas.find(({ key }) => key === list)?.query.choices.get(facet);
  if (!choice) return false;
  return values.length === 0 || (choice.kind === 'values' && choice.values.some((value) => values.includes(value)));
}
