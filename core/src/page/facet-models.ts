import type { FacetCounts, Query } from '../query/index.js';
import { NO_VALUE, YES_VALUE, withChoice, withValueToggled } from '../query/index.js';
import type { Choice, Facet, Field, KindDefinition } from '../structure/index.js';
import { choiceLabel, columnOf, fieldByKey, plainField } from '../structure/index.js';
import type { Formats } from '../values/index.js';
import { textOrder, unitSymbol } from '../values/index.js';
import type { CategoryModel, ChipModel, FacetModel, FacetValueModel, RangeFacetModel } from './page-model.js';

/** Gives the address of a query's page. */
export type HrefOf = (query: Query) => string;

export interface FacetScene {
  readonly kind: KindDefinition;
  readonly query: Query;
  readonly counts: ReadonlyMap<string, FacetCounts>;
  readonly formats: Formats;
  readonly hrefOf: HrefOf;
}

/** All facets of a page with their counts; one over a field that is gone is left out. */
export function facetModels(scene: FacetScene): FacetModel[] {
  return scene.kind.facets.flatMap((facet) => {
    const field = fieldByKey(scene.kind, facet.field);
    const counts = scene.counts.get(facet.key);
    if (!field || !counts) return [];
    return [
      counts.kind === 'range' ? rangeModel(facet, field, counts, scene) : valuesModel(facet, field, counts, scene),
    ];
  });
}

function valuesModel(
  facet: Facet,
  field: Field,
  { counts }: Extract<FacetCounts, { kind: 'values' }>,
  scene: FacetScene,
): FacetModel {
  const choice = scene.query.choices.get(facet.key);
  const chosen = choice?.kind === 'values' ? choice.values : [];
  // A value in the address that nothing has stays too, so that it can be taken back.
  const values = [...new Set([...counts.keys(), ...chosen])].map((value): FacetValueModel => ({
    value,
    label: valueLabel(value, facet, field),
    count: counts.get(value) ?? 0,
    depth: depthOf(value, field),
    icon: choiceOf(value, field)?.icon ?? '',
    colour: choiceOf(value, field)?.colour ?? '',
    chosen: chosen.includes(value),
    href: scene.hrefOf(withValueToggled(scene.query, facet.key, value)),
  }));
  const kept = values.filter((value) => value.chosen || value.count > 0 || facet.zero === 'dim');
  return {
    control: facet.control === 'yes-no' ? 'yes-no' : 'ticks',
    key: facet.key,
    label: facet.label,
    join: facet.join,
    values: facet.control === 'yes-no' ? kept : inValueOrder(kept, facet, scene.formats.locale),
    shownFirst: facet.shownFirst,
  };
}

function choiceOf(value: string, { settings }: Field): Choice | undefined {
  return settings.choices?.find(({ key }) => key === value);
}

function depthOf(value: string, field: Field): number {
  const parent = choiceOf(value, field)?.parent;
  return parent === undefined ? 0 : depthOf(parent, field) + 1;
}

/** The category that is chosen, when it is the only one and its set says anything of it. */
export function categoryModel({ kind, query }: Pick<FacetScene, 'kind' | 'query'>): CategoryModel | null {
  const chosen = kind.facets.flatMap((facet) => {
    const field = fieldByKey(kind, facet.field);
    const choice = query.choices.get(facet.key);
    if (field?.type !== 'categories' || choice?.kind !== 'values') return [];
    return choice.values.flatMap((value) => choiceOf(value, field) ?? []);
  });
  const [only, ...others] = chosen;
  if (!only || others.length > 0) return null;
  const { label, text = '', icon = '', colour = '', picture = null } = only;
  return text === '' && !picture ? null : { label, text, icon, colour, picture };
}

function inValueOrder(values: FacetValueModel[], facet: Facet, locale: string): FacetValueModel[] {
  if (facet.valueOrder === 'defined') return values;
  const byLabel = textOrder(locale);
  return values.sort((a, b) => (facet.valueOrder === 'count' ? b.count - a.count : 0) || byLabel(a.label, b.label));
}

function valueLabel(value: string, facet: Facet, field: Field): string {
  if (facet.control !== 'yes-no') return choiceLabel(value, field);
  return value === YES_VALUE ? 'Yes' : value === NO_VALUE ? 'No' : value;
}

function rangeModel(
  facet: Facet,
  field: Field,
  { bounds, histogram }: Extract<FacetCounts, { kind: 'range' }>,
  { query, formats }: FacetScene,
): RangeFacetModel {
  const spec = columnOf(field);
  const write = (bound: number | null): string =>
    bound === null || spec?.kind !== 'number' ? '' : spec.boundToText(bound, field);
  const show = (bound: number): string => (spec?.kind === 'number' ? spec.formatBound(bound, field, formats) : '');
  const choice = query.choices.get(facet.key);
  const chosen = choice?.kind === 'range' ? choice : { least: null, greatest: null };
  return {
    control: 'range',
    key: facet.key,
    label: facet.label,
    inputType: plainField(field).type === 'date' ? 'date' : 'number',
    unit: unitText(field),
    bounds: bounds && {
      from: write(bounds.least),
      to: write(bounds.greatest),
      sentence: `${show(bounds.least)} to ${show(bounds.greatest)}`,
    },
    from: write(chosen.least),
    to: write(chosen.greatest),
    histogram,
  };
}

function unitText(field: Field): string {
  const { type } = plainField(field);
  if (type === 'measure') return unitSymbol(field.settings.unit ?? 'm');
  if (type === 'money') return field.settings.currency ?? '';
  return field.settings.after ?? '';
}

/** What is chosen, one chip a value, range and search, each with the page that comes of taking it back. */
export function chipModels({ kind, query, formats, hrefOf }: Omit<FacetScene, 'counts'>): ChipModel[] {
  const chips: ChipModel[] = [];
  if (query.text !== '') chips.push({ label: `“${query.text}”`, href: hrefOf({ ...query, text: '', page: 1 }) });
  for (const facet of kind.facets) {
    const choice = query.choices.get(facet.key);
    const field = fieldByKey(kind, facet.field);
    if (!choice || !field) continue;
    if (choice.kind === 'range') {
      const href = hrefOf(withChoice(query, facet.key, null));
      chips.push({ label: `${facet.label}: ${rangeWords(choice, field, formats)}`, href });
      continue;
    }
    for (const value of choice.values) {
      const label = `${facet.label}: ${valueLabel(value, facet, field)}`;
      chips.push({ label, href: hrefOf(withValueToggled(query, facet.key, value)) });
    }
  }
  return chips;
}

function rangeWords(
  { least, greatest }: { least: number | null; greatest: number | null },
  field: Field,
  formats: Formats,
): string {
  const spec = columnOf(field);
  const show = (bound: number): string => (spec?.kind === 'number' ? spec.formatBound(bound, field, formats) : '');
  if (least !== null && greatest !== null) return `${show(least)} to ${show(greatest)}`;
  if (least !== null) return `${show(least)} or more`;
  return greatest === null ? '' : `up to ${show(greatest)}`;
}
