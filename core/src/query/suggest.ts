import type { Catalog } from '../catalog/index.js';
import { bestMatches, meets } from '../catalog/index.js';
import type { Facet } from '../structure/index.js';
import { fieldOfFacet } from '../structure/index.js';
import { wordsOf } from '../values/index.js';
import { placeColumnOf } from './points.js';
import { BLANK_QUERY, withChoice } from './query.js';
import { listOfKind } from './asked-list.js';
import { searchOf } from './found-parts.js';
import { countQuery } from './run-query.js';
import type { QueryScene } from './scene.js';

const MOST_LISTINGS = 6;
const MOST_CATEGORIES = 4;
const MOST_PLACES = 8;

/** What fits words that are being typed: listings by their title, and values of facets by their label. */
export interface Suggestions {
  readonly listings: readonly number[];
  readonly values: readonly {
    readonly facet: string;
    readonly value: string;
    readonly label: string;
    readonly count: number;
  }[];
}

export function suggest(catalog: Catalog, text: string, scene: QueryScene): Suggestions {
  return {
    listings: bestListings(catalog, text, scene, MOST_LISTINGS),
    values: fittingValues(catalog, text, scene),
  };
}

/** Titles of places on the site that fit words that are being typed. */
export function suggestPlaces(text: string, scene: QueryScene): string[] {
  const titles = scene
    .catalogs()
    .filter((catalog) => placeColumnOf(catalog))
    .flatMap((catalog) => bestListings(catalog, text, scene, MOST_PLACES).map((id) => catalog.titleOf(id)));
  return [...new Set(titles)].slice(0, MOST_PLACES);
}

function bestListings(catalog: Catalog, text: string, { context }: QueryScene, most: number): number[] {
  const matches = searchOf(catalog, text, catalog.onSiteAt(context.nowInMs));
  if (!matches || matches.met < matches.wanted) return [];
  return bestMatches(matches, most).map((row) => catalog.ids[row]!);
}

/** Values of choices and categories whose label has all the words; those that nothing has are left out. */
function fittingValues(catalog: Catalog, text: string, scene: QueryScene): Suggestions['values'] {
  const wanted = wordsOf(text);
  if (wanted.length === 0) return [];
  const fits = (label: string): boolean => {
    const words = wordsOf(label);
    return wanted.every((one, at) => words.some((word) => meets(one, word, at === wanted.length - 1) > 0));
  };
  const found = catalog.kind.facets.flatMap((facet) =>
    choicesOf(facet, catalog, scene)
      .filter(({ label }) => fits(label))
      .map(({ key, label }) => ({ facet, value: key, label })),
  );
  return found
    .slice(0, MOST_CATEGORIES * 2)
    .map(({ facet, value, label }) => {
      const query = withChoice(BLANK_QUERY, facet.key, { kind: 'values', values: [value] });
      return { facet: facet.key, value, label, count: countQuery(listOfKind(catalog), query, scene) };
    })
    .filter(({ count }) => count > 0)
    .slice(0, MOST_CATEGORIES);
}

function choicesOf(facet: Facet, catalog: Catalog, scene: QueryScene): readonly { key: string; label: string }[] {
  const field = fieldOfFacet(facet, catalog.kind, (id) => scene.catalogOf(id)?.kind);
  return field?.settings.choices ?? [];
}
