import type { FacetCounts } from '../../query/index.js';
import { withChoice } from '../../query/index.js';
import type { Facet, Field } from '../../structure/index.js';
import { RANGE_MARK, columnOf, plainField, starsOf } from '../../structure/index.js';
import type { SiteWords } from '../../values/index.js';
import { unitSymbol } from '../../values/index.js';
import type { FacetScene } from './facet-scene.js';
import { choiceIn, formatsOf } from './facet-scene.js';
import type { FacetStepModel, RangeFacetModel, RatingFacetModel } from '../areas/area-models.js';

type Counts<Kind extends FacetCounts['kind']> = Extract<FacetCounts, { kind: Kind }>;

export function rangeModel(
  facet: Facet,
  field: Field,
  { bounds, histogram }: Counts<'range'>,
  scene: FacetScene,
): Omit<RangeFacetModel, 'name' | 'open'> {
  const spec = columnOf(field);
  const write = (bound: number | null): string =>
    bound === null || spec?.kind !== 'number' ? '' : spec.boundToText(bound, field);
  const show = (bound: number): string =>
    spec?.kind === 'number' ? spec.formatBound(bound, field, formatsOf(scene)) : '';
  const chosen = choiceIn(scene, facet, 'range') ?? { least: null, greatest: null };
  return {
    control: 'range',
    key: facet.key,
    label: facet.label,
    inputType: plainField(field).type === 'date' ? 'date' : 'number',
    unit: unitText(field),
    bounds: bounds && {
      from: write(bounds.least),
      to: write(bounds.greatest),
      sentence: formatsOf(scene).words.say('range.between', { from: show(bounds.least), to: show(bounds.greatest) }),
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

export function ratingModel(
  facet: Facet,
  field: Field,
  { counts }: Counts<'at-least'>,
  scene: FacetScene,
): Omit<RatingFacetModel, 'name' | 'open'> {
  const stars = starsOf(field);
  const least = choiceIn(scene, facet, 'range')?.least ?? null;
  const steps = Array.from({ length: stars - 1 }, (_, at): FacetStepModel => {
    const from = stars - at;
    const chosen = least === from;
    return {
      value: `${from}${RANGE_MARK}`,
      label: formatsOf(scene).words.say(from === stars ? 'stars.all' : 'stars.least', { count: from }),
      count: counts[from] ?? 0,
      chosen,
      href: scene.hrefOf(
        withChoice(scene.query, facet.key, chosen ? null : { kind: 'range', least: from, greatest: null }),
      ),
    };
  });
  return { control: 'rating', key: facet.key, label: facet.label, stars, steps };
}

/** A chosen range in words. */
export function rangeWords(
  { least, greatest }: { least: number | null; greatest: number | null },
  show: (bound: number) => string,
  words: SiteWords,
): string {
  if (least !== null && greatest !== null) {
    return words.say('range.between', { from: show(least), to: show(greatest) });
  }
  if (least !== null) return words.say('range.from', { from: show(least) });
  return greatest === null ? '' : words.say('range.to', { to: show(greatest) });
}
