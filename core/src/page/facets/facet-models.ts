import type { ListDesign, Query, QueryScene } from '../../query/index.js';
import { pointOf, withChoice, withValueToggled, withinText } from '../../query/index.js';
import type { Choice, Facet, Field } from '../../structure/index.js';
import { columnOf } from '../../structure/index.js';
import { distanceModel } from './distance-facet.js';
import type { FacetScene } from './facet-scene.js';
import { fieldIn, formatsOf, valueLabel } from './facet-scene.js';
import type { CategoryModel, ChipModel, FacetModel } from '../areas/area-models.js';
import { datesModel, daysWords } from './dates-facet.js';
import { rangeModel, rangeWords, ratingModel } from './span-facets.js';
import { choiceOf, valuesModel } from './values-facet.js';

/** All facets of a page with their counts; one over a field that is gone is left out, and one that waits for another. */
export function facetModels(scene: FacetScene): FacetModel[] {
  return scene.design.facets.flatMap((facet) => {
    const field = fieldIn(scene, facet);
    const isChosen = scene.query.choices.has(facet.key);
    const model = field && (isChosen || isWanted(facet, scene)) ? modelOf(facet, field, scene) : null;
    const name = scene.design.prefix + facet.key;
    return model ? [{ ...model, name, open: facet.startsOpen || isChosen } as FacetModel] : [];
  });
}

/** Whether the facet that this one waits for has something chosen, or the value that it waits for. */
function isWanted({ dependsOn }: Facet, { query }: FacetScene): boolean {
  if (!dependsOn) return true;
  const choice = query.choices.get(dependsOn.facet);
  if (!choice || dependsOn.value === null) return choice !== undefined;
  return choice.kind === 'values' && choice.values.includes(dependsOn.value);
}

function modelOf(facet: Facet, field: Field, scene: FacetScene): Omit<FacetModel, 'name' | 'open'> | null {
  const counts = scene.counts.get(facet.key);
  switch (counts?.kind) {
    case 'values':
      return valuesModel(facet, field, counts, scene);
    case 'range':
      return rangeModel(facet, field, counts, scene);
    case 'dates':
      return datesModel(facet, counts, scene);
    case 'at-least':
      return ratingModel(facet, field, counts, scene);
    case 'none':
      return facet.control === 'distance' ? distanceModel(facet, scene) : null;
    case undefined:
      return null;
  }
}

/** The category that is chosen, when it is the only one and its set says anything of it. */
export function categoryModel(scene: FacetScene): CategoryModel | null {
  const chosen = scene.design.facets.flatMap((facet) => {
    const field = fieldIn(scene, facet);
    const choice = scene.query.choices.get(facet.key);
    if (field?.type !== 'categories' || choice?.kind !== 'values') return [];
    return choice.values.flatMap((value) => choiceOf(value, field) ?? []);
  });
  const [only, ...others] = chosen;
  if (!only || others.length > 0) return null;
  const model = modelOfCategory(only);
  return model.text === '' && !model.picture ? null : model;
}

/** What a category set says of a category. */
export function modelOfCategory(category: Choice): CategoryModel {
  const { label, text = '', icon = '', colour = '', picture = null } = category;
  return { label, text, icon, colour, picture };
}

/** What is chosen, one chip a value, span and search, each with the page that comes of taking it back. */
export function chipModels(scene: FacetScene): ChipModel[] {
  const { query, hrefOf, design } = scene;
  const { words } = formatsOf(scene);
  const chips: ChipModel[] = [];
  if (query.text !== '')
    chips.push({
      label: words.say('chip.search', { text: query.text }),
      href: hrefOf({ ...query, text: '', page: 1 }),
    });
  if (query.box) chips.push({ label: words.say('chip.box'), href: hrefOf({ ...query, box: null, page: 1 }) });
  for (const facet of design.facets) {
    const choice = query.choices.get(facet.key);
    const field = choice && fieldIn(scene, facet);
    if (!choice || !field) continue;
    if (choice.kind !== 'values') {
      chips.push({ label: spanChip(facet, field, scene), href: hrefOf(withChoice(query, facet.key, null)) });
      continue;
    }
    for (const value of choice.values) {
      const label = `${facet.label}: ${valueLabel(value, facet, field, scene)}`;
      chips.push({ label, href: hrefOf(withValueToggled(query, facet.key, value)) });
    }
  }
  return chips;
}

/** What is chosen in a list, in the words of its chips. */
export function chipLabels(design: ListDesign, query: Query, scene: QueryScene): string[] {
  const nowhere = { hrefOf: () => '', countOf: () => 0, counts: new Map() };
  return chipModels({ design, query, scene, ...nowhere }).map(({ label }) => label);
}

function spanChip(facet: Facet, field: Field, scene: FacetScene): string {
  const choice = scene.query.choices.get(facet.key);
  const formats = formatsOf(scene);
  switch (choice?.kind) {
    case 'range': {
      const spec = columnOf(field);
      const show = (bound: number): string =>
        spec?.kind === 'number' ? spec.formatBound(bound, field, formats) : String(bound);
      return `${facet.label}: ${rangeWords(choice, show, formats.words)}`;
    }
    case 'dates':
      return `${facet.label}: ${daysWords(choice, formats)}`;
    case 'near': {
      const { words } = formats;
      const found = pointOf(choice.at, scene.scene);
      const unnamed = found ? words.say('chip.your-position') : words.say('chip.no-place', { place: choice.at });
      const place = found?.title || unnamed;
      if (choice.metres === null) return words.say('chip.near', { facet: facet.label, place });
      const distance = `${formats.number(Number(withinText(choice.metres, facet.unit)))} ${facet.unit}`;
      return words.say('chip.within', { facet: facet.label, distance, place });
    }
    default:
      return facet.label;
  }
}
