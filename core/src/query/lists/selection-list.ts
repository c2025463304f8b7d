import type { Facet, Field, Kind, SelectionDefinition } from '../../structure/index.js';
import { SELECTIONS_SLUG, facetAskedBy, facetsOver, kindField, makeKindDefinition } from '../../structure/index.js';
import type { AskedList } from './asked-list.js';
import type { PageParameters } from '../filters/parameters.js';
import { NO_PARAMETERS } from '../filters/parameters.js';
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
  const kind = arranged(
    selection,
    selected.map(({ catalog }) => catalog.kind),
  );
  const parts = selected.map(({ catalog, rows }) => {
    const asked = kind.facets.map((facet) => {
      return [facet.key, facetAskedBy(facet, kind, catalog.kind, kindsOf(scene))] as const;
    });
    return { catalog, rows, facets: new Map(asked.flatMap(([key, facet]) => (facet ? [[key, facet]] : []))) };
  });
  const { picked, skip, most } = selection;
  return { kind, parts, picked, skip, most };
}

/** The one kind of a selection as it arranges it; of several kinds what they have in common. */
function arranged(selection: SelectionDefinition, kinds: readonly Kind[]): Kind {
  const { order, pageSize, grouping, pager } = selection;
  const offered = facetsOver(kinds);
  const facets = selection.facets.flatMap((key) => offered.find((facet) => facet.key === key) ?? []);
  const slug = `${SELECTIONS_SLUG}/${selection.slug}`;
  // What was picked by hand stands as it was picked, without a strip of featured ones.
  const defaultOrder = selection.picked ? [] : order;
  const own = { slug, intro: '', facets, defaultOrder, pageSize, grouping, pager };
  const [first, ...others] = kinds;
  if (first && others.length === 0) return { ...first, ...own };
  const sortChoices = (first?.sortChoices ?? []).filter(({ key }) =>
    others.every((kind) => kind.sortChoices.some((choice) => choice.key === key)),
  );
  const plain = makeKindDefinition({ slug, one: 'Listing', many: 'Listings' });
  return { ...plain, ...own, id: 0, version: 0, fields: [kindField(kinds), ...fieldsOver(kinds, facets)], sortChoices };
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
