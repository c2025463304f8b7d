import { conditionFaults } from '../../listings/index.js';
import type { ConditionGroup, Kind } from '../../structure/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import type { PieceScene } from '../pieces/piece-type.js';
import { asksOfLinked } from '../slots/check-slot.js';
import type { PieceOf } from './page-design.js';
import type { ShownWhen } from './shown-when.js';

/** What checking the inside of a page depends on. */
export interface InsideScene extends PieceScene {
  /** Its lists that visitors can steer. */
  readonly lists: readonly PieceOf<'list'>[];
}

/** Everything that is wrong with when a strip or a piece is shown; `name` and `place` are its own. */
export function shownIssues(one: ShownWhen, name: string, place: string, scene: InsideScene): Issue[] {
  const chosen = one.chosen.flatMap((test) => chosenFaults(test, scene));
  return [
    ...conditionIssues(one.showWhen, name, `${place}.showWhen`, scene),
    ...categoryFaults(one.categories, scene).map((reason) => wrong(name, reason, `${place}.categories`)),
    ...chosen.map((reason) => wrong(name, reason, `${place}.chosen`)),
  ];
}

/** What is wrong with categories that a page of categories, or something on it, is for. */
export function categoryFaults(
  categories: readonly string[],
  { serves, listKind }: Pick<PieceScene, 'serves' | 'listKind'>,
): string[] {
  if (categories.length === 0) return [];
  if (serves !== 'category') return ['it is for categories, and this is not a page of categories.'];
  const choices = (listKind?.fields ?? []).flatMap(({ type, settings }) =>
    type === 'categories' ? (settings.choices ?? []) : [],
  );
  const gone = categories.filter((category) => !choices.some(({ key }) => key === category));
  return gone.map((category) => `there is no category “${category}” any more.`);
}

function chosenFaults(
  { list, facet }: ShownWhen['chosen'][number],
  { lists, listKind, kindById }: InsideScene,
): string[] {
  const found = lists.find(({ settings }) => settings.name === list);
  if (!found) return [list === '' ? 'the page has no list without a name.' : `the page has no list “${list}”.`];
  const { from, of } = found.settings;
  // The facets of a selection of several kinds are those that they share.
  const kind = from === 'page' ? listKind : from === 'kind' ? kindById(of) : null;
  const isThere = !kind || kind.facets.some(({ key }) => key === facet);
  return isThere ? [] : [`its list has no facet “${facet}”.`];
}

export function conditionIssues(
  where: ConditionGroup | null,
  name: string,
  place: string,
  scene: Pick<PieceScene, 'context' | 'kind' | 'kindById'>,
): Issue[] {
  if (!where) return [];
  const kind: Kind | null = scene.kind;
  if (!kind) return [wrong(name, 'it asks for something of a listing, and this page has none.', place)];
  if (asksOfLinked(where))
    return [wrong(name, 'it asks for something of linked listings, which a page cannot.', place)];
  return conditionFaults({ kinds: [kind.id], where }, scene).map((fault) =>
    wrong(name, `condition ${fault.place}: ${fault.reason}`, place),
  );
}

/** Says that a page is wrong: `design.page`. */
export function wrong(place: string, reason: string, field: string): Issue {
  return issue('design.page', { place, reason }, { field });
}
