import type { FacetCounts } from '../../query/index.js';
import { withValueToggled } from '../../query/index.js';
import type { Choice, Facet, Field } from '../../structure/index.js';
import { choosesValues, isSingle } from '../../structure/index.js';
import type { TextOrder } from '../../values/index.js';
import type { FacetScene } from './facet-scene.js';
import { choiceIn, formatsOf, valueLabel } from './facet-scene.js';
import type { FacetValueModel, ValuesFacetModel } from '../areas/area-models.js';

/** A page carries so many values of a facet at most: those that most listings have. */
const MOST_VALUES = 1000;

export function valuesModel(
  facet: Facet,
  field: Field,
  { counts }: Extract<FacetCounts, { kind: 'values' }>,
  scene: FacetScene,
): Omit<ValuesFacetModel, 'name' | 'open'> {
  const chosen = choiceIn(scene, facet, 'values')?.values ?? [];
  // A value in the address that nothing has stays too, so that it can be taken back.
  const values = [...new Set([...counts.keys(), ...chosen])].filter(
    (value) => chosen.includes(value) || (counts.get(value) ?? 0) > 0 || facet.zero === 'dim',
  );
  const models = mostUsed(values, counts).map((value): FacetValueModel => {
    const choice = choiceOf(value, field);
    return {
      value,
      label: valueLabel(value, facet, field, scene),
      count: counts.get(value) ?? 0,
      depth: depthOf(value, field),
      icon: choice?.icon ?? '',
      colour: choice?.colour ?? '',
      chosen: chosen.includes(value),
      href: scene.hrefOf(withValueToggled(scene.query, facet.key, value, isSingle(facet.control))),
    };
  });
  return {
    control: choosesValues(facet.control) ? (facet.control as ValuesFacetModel['control']) : 'ticks',
    key: facet.key,
    label: facet.label,
    join: facet.join,
    values: inValueOrder(models, facet, field, formatsOf(scene).compareTexts),
    shownFirst: facet.shownFirst,
  };
}

function mostUsed(values: string[], counts: ReadonlyMap<string, number>): string[] {
  if (values.length <= MOST_VALUES) return values;
  const byCount = [...values].sort((a, b) => (counts.get(b) ?? 0) - (counts.get(a) ?? 0));
  const kept = new Set(byCount.slice(0, MOST_VALUES));
  return values.filter((value) => kept.has(value));
}

/** What is defined of a value of choices or categories. */
export function choiceOf(value: string, { settings }: Field): Choice | undefined {
  return settings.choices?.find(({ key }) => key === value);
}

/** How deep a category lies; 0 for everything else. */
export function depthOf(value: string, field: Field): number {
  const parent = choiceOf(value, field)?.parent;
  return parent === undefined ? 0 : depthOf(parent, field) + 1;
}

/** Values in the order that the facet wants; those of a tree stay below their parents. */
function inValueOrder(values: FacetValueModel[], facet: Facet, field: Field, byLabel: TextOrder): FacetValueModel[] {
  if (facet.control === 'yes-no') return values;
  if (facet.control === 'letters') return values.sort((a, b) => byLabel(a.label, b.label));
  if (facet.valueOrder === 'defined') return inDefinedOrder(values, field);
  const compare = (a: FacetValueModel, b: FacetValueModel): number =>
    (facet.valueOrder === 'count' ? b.count - a.count : 0) || byLabel(a.label, b.label);
  const sorted = values.sort(compare);
  return sorted.some(({ depth }) => depth > 0) ? asTree(sorted, field) : sorted;
}

function inDefinedOrder(values: FacetValueModel[], { settings }: Field): FacetValueModel[] {
  const positions = new Map((settings.choices ?? []).map(({ key }, at) => [key, at]));
  const last = positions.size;
  return values.sort((a, b) => (positions.get(a.value) ?? last) - (positions.get(b.value) ?? last));
}

function asTree(sorted: readonly FacetValueModel[], field: Field): FacetValueModel[] {
  const parentOf = (value: string): string | undefined => choiceOf(value, field)?.parent;
  const below = (parent: string | undefined): FacetValueModel[] =>
    sorted.filter(({ value }) => parentOf(value) === parent).flatMap((own) => [own, ...below(own.value)]);
  return below(undefined);
}
