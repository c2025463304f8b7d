import type { Field, Kind } from '../../structure/index.js';
import type { Option } from '../settings/control.js';
import { shownParts } from '../slots/slot-fields.js';
import type { PieceChoices } from './piece-type.js';

/** The fields of the page's listing that are of some types, its built-in parts first, to be chosen from. */
export function fieldOptions(
  types: readonly Field['type'][],
): (scene: Pick<PieceChoices, 'kind'>) => readonly Option[] {
  return ({ kind }) => (kind ? fieldsOfTypes(kind, types).map(asOption) : []);
}

/** The same with a way to choose none of them. */
export function fieldOptionsOr(none: string, types: readonly Field['type'][]): ReturnType<typeof fieldOptions> {
  const options = fieldOptions(types);
  return (scene) => [{ key: '', label: none }, ...options(scene)];
}

export function fieldsOfTypes(kind: Kind, types: readonly Field['type'][]): Field[] {
  return [...shownParts(kind), ...kind.fields].filter(({ type }) => types.includes(type));
}

export function asOption({ key, label }: Pick<Field, 'key' | 'label'>): Option {
  return { key, label };
}
