import type { Facet, Field, Kind, SelectionDefinition } from '../../structure/index.js';
import { SELECTIONS_SLUG, facetAskedBy, facetsOver, kindField } from '../../structure/index.js';
import type { SiteWords } from '../../values/index.js';
import type { AskedList } from './asked-list.js';
import type { PageParameters } from '../filters/parameters.js';
import { NO_PARAMETERS } from '../filters/parameters.js';
import type { ListDesign } from './list-design.js';
import { designOfKind } from './list-design.js';
import { rowsOfSelection } from './run-selection.js';
import type { QueryScene } from '../filters/scene.js';
import { kindsOf } from '../filters/scene.js';

/** The list on a selection's own page, with the facets that were chosen for it. */
export function listOfSelection(
  selection: SelectionDefinition,
  scene: QueryScene,
  parameters: PageParameters = NO_PARAMETERS,
): AskedList {
  const selected = rowsOfSelection(selection, scene, parameters);
  const design = arranged(
    selection,
    selected.map(({ catalog }) => catalog.kind),
    scene.context.formats.words,
  );
  const parts = selected.map(({ catalog, rows }) => {
    const asked = design.facets.map((facet) => {
      return [facet.key, facetAskedBy(facet, design, catalog.kind, kindsOf(scene))] as const;
    });
    return {
      catalog,
      rows,
      shows: selection.shows,
      facets: new Map(asked.flatMap(([key, facet]) => (facet ? [[key, facet]] : []))),
    };
  });
  const { picked, skip, most } = selection;
  return { design, parts, picked, skip, most };
}

/** How a selection arranges its list; of several kinds with what they have in common. */
function arranged(selection: SelectionDefinition, kinds: readonly Kind[], words: SiteWords): ListDesign {
  const { order, pageSize, grouping, pager } = selection;
  const offered = facetsOver(kinds, words.say('list.kind'));
  const facets = selection.facets.flatMap((key) => offered.find((facet) => facet.key === key) ?? []);
  // What was picked by hand stands as it was picked, without a strip of featured ones.
  const defaultOrder = selection.picked ? [] : order;
  const place = { path: `/${SELECTIONS_SLUG}/${selection.slug}`, prefix: '' };
  const own = { intro: '', facets, defaultOrder, pageSize, grouping, pager, ...place };
  const [first, ...others] = kinds;
  if (first && others.length === 0) return { ...designOfKind(first), ...own };
  const sortChoices = (first?.sortChoices ?? []).filter(({ key }) =>
    others.every((kind) => kind.sortChoices.some((choice) => choice.key === key)),
  );
  const fields = [kindField(kinds), ...fieldsOver(kinds, facets)];
  return { one: words.say('list.one'), many: words.say('list.many'), ...own, fields, sortChoices };
}

/**
 * The fields of all kinds by their keys, with the choices of all that have one of the same key and type. Where a key
 * means different things, what a facet of the list asks about goes first.
 */
function fieldsOver(kinds: readonly Kind[], facets: readonly Facet[]): Field[] {
  const byKey = new Map<string, Field>();
  for (const facet of facets) {
    const kind = kinds.find((one) => one.facets.includes(facet));
    const field = kind?.fields.find(({ key }) => key === (facet.through[0] ?? facet.field));
    if (field && !byKey.has(field.key)) byKey.set(field.key, field);
  }
  for (const field of kinds.flatMap(({ fields }) => fields)) {
    const known = byKey.get(field.key);
    if (!known) byKey.set(field.key, field);
    else if (known.type === field.type && known.settings.choices) byKey.set(field.key, withChoicesOf(known, field));
  }
  return [...byKey.values()];
}

function withChoicesOf(known: Field, { settings }: Field): Field {
  const choices = known.settings.choices ?? [];
  const more = (settings.choices ?? []).filter(({ key }) => !choices.some((choice) => choice.key === key));
  return more.length === 0 ? known : { ...known, settings: { ...known.settings, choices: [...choices, ...more] } };
}
