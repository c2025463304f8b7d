import type { Bitset, Catalog } from '../../catalog/index.js';
import { bestMatches, meets } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { fieldOfFacet } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import type { AskedList } from './asked-list.js';
import { rowsWithin, searchOf } from './found-parts.js';
import { placeColumnOf } from '../filters/points.js';
import { BLANK_QUERY, withChoice } from '../address/query.js';
import { countQuery } from './run-query.js';
import type { QueryScene } from '../filters/scene.js';
import { kindsOf } from '../filters/scene.js';

const MOST_LISTINGS = 6;
const MOST_CATEGORIES = 4;
const MOST_PLACES = 8;

/** What fits words that are being typed on a list: its listings by what they say, and values of its facets by their label. */
export interface Suggestions {
  readonly listings: readonly { readonly catalog: Catalog; readonly id: number }[];
  readonly values: readonly {
    readonly facet: string;
    readonly value: string;
    readonly label: string;
    readonly count: number;
  }[];
}

export function suggest(list: AskedList, text: string, scene: QueryScene): Suggestions {
  // Of several kinds each has its share, as how well their listings fit can't be compared title by title.
  const share = Math.ceil(MOST_LISTINGS / Math.max(1, list.parts.length));
  const listings = list.parts.flatMap((part) =>
    bestOf(part.catalog, text, rowsWithin(part, scene), share).map((id) => ({ catalog: part.catalog, id })),
  );
  return { listings, values: fittingValues(list, text, scene) };
}

/** Titles of places on the site that fit words that are being typed. */
export function suggestPlaces(text: string, scene: QueryScene): string[] {
  const titles = scene
    .catalogs()
    .filter((catalog) => placeColumnOf(catalog))
    .flatMap((catalog) => {
      const onSite = catalog.onSiteAt(scene.context.nowInMs);
      return bestOf(catalog, text, onSite, MOST_PLACES).map((id) => catalog.titleOf(id));
    });
  return [...new Set(titles)].slice(0, MOST_PLACES);
}

function bestOf(catalog: Catalog, text: string, within: Bitset, most: number): number[] {
  const matches = searchOf(catalog, text, within);
  if (!matches || matches.met < matches.wanted) return [];
  return bestMatches(matches, most).map((row) => catalog.ids[row]!);
}

/** Values of choices and categories whose label has all the words; those that nothing has are left out. */
function fittingValues(list: AskedList, text: string, scene: QueryScene): Suggestions['values'] {
  const wanted = wordsOf(text);
  if (wanted.length === 0) return [];
  const fits = (label: string): boolean => {
    const words = wordsOf(label);
    return wanted.every((one, at) => words.some((word) => meets(one, word, at === wanted.length - 1) > 0));
  };
  const found = list.design.facets.flatMap((facet) =>
    choicesOf(facet, list, scene)
      .filter(({ label }) => fits(label))
      .map(({ key, label }) => ({ facet, value: key, label })),
  );
  return found
    .slice(0, MOST_CATEGORIES * 2)
    .map(({ facet, value, label }) => {
      const query = withChoice(BLANK_QUERY, facet.key, { kind: 'values', values: [value] });
      return { facet: facet.key, value, label, count: countQuery(list, query, scene) };
    })
    .filter(({ count }) => count > 0)
    .slice(0, MOST_CATEGORIES);
}

function choicesOf(
  facet: Facet,
  { design }: AskedList,
  scene: QueryScene,
): readonly { readonly key: string; readonly label: string }[] {
  const field = fieldOfFacet(facet, design, kindsOf(scene));
  return field?.settings.choices ?? [];
}
