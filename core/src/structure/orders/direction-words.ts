import { columnOf, plainField } from '../field-types/registry.js';
import type { Field } from '../fields/field.js';

/** How the two directions of an order by a field are told, up and down: "lowest first", "highest first". */
export function directionWords(field: Field): readonly [string, string] {
  const plain = plainField(field);
  const spec = columnOf(plain);
  switch (spec?.kind) {
    case 'number':
      return isTime(plain) ? ['earliest first', 'latest first'] : ['lowest first', 'highest first'];
    case 'yes-no':
      return ['no before yes', 'yes before no'];
    case 'choices':
      return ['in their order', 'the other way round'];
    default:
      return ['A to Z', 'Z to A'];
  }
}

/** Whether a field holds dates or times, or spans of them. */
export function isTime({ type, settings }: Field): boolean {
  const own = type === 'range' ? settings.ends : type;
  return own === 'date' || own === 'date-time' || own === 'time-of-day';
}
