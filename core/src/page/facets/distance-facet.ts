import { pointOf, withChoice, withinText } from '../../query/index.js';
import type { Facet } from '../../structure/index.js';
import type { Formats } from '../../values/index.js';
import { DISTANCE_UNITS } from '../../values/index.js';
import type { FacetScene } from './facet-scene.js';
import { choiceIn, formatsOf } from './facet-scene.js';
import type { DistanceFacetModel, FacetStepModel } from '../areas/area-models.js';

/** Distances that are offered, in the facet's unit. */
const STEPS = [2, 5, 10, 25, 50];

export function distanceModel(facet: Facet, scene: FacetScene): Omit<DistanceFacetModel, 'name' | 'open'> {
  const choice = choiceIn(scene, facet, 'near');
  const found = choice && pointOf(choice.at, scene.scene);
  const formats = formatsOf(scene);
  const within = choice?.metres == null ? '' : withinText(choice.metres, facet.unit);
  const offered = [...new Set([...STEPS.map(String), ...(within === '' ? [] : [within])])].sort(
    (a, b) => Number(a) - Number(b),
  );
  const steps = offered.map((value): FacetStepModel => {
    const metres = Number(value) * DISTANCE_UNITS[facet.unit];
    const near = choice && withChoice(scene.query, facet.key, { ...choice, metres });
    return {
      value,
      label: `${formats.number(Number(value))} ${facet.unit}`,
      count: near && found ? scene.countOf(near) : null,
      chosen: value === within,
      href: near ? scene.hrefOf(near) : '',
    };
  });
  return {
    control: 'distance',
    key: facet.key,
    label: facet.label,
    at: choice?.at ?? '',
    title: found?.title ?? '',
    isUnknown: choice !== null && !found,
    unit: facet.unit,
    within,
    steps,
  };
}

/** "3.2 km away", in a facet's unit. */
export function distanceWords(metres: number, unit: Facet['unit'], formats: Formats): string {
  const distance = metres / DISTANCE_UNITS[unit];
  const decimals = distance < 10 ? 1 : 0;
  const written = `${formats.number(Number(distance.toFixed(decimals)))} ${unit}`;
  return formats.words.say('value.distance', { distance: written });
}
