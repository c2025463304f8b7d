import { BUILT_IN_MARK, builtInFieldAt } from './built-in-fields.js';
import type { Field } from './field.js';
import type { KindDefinition } from '../kinds/kind.js';
import { fieldByKey } from '../kinds/kind.js';

/** The field that a key names: "price" is one of the kind, "@title" a built-in one. */
export function fieldAt(kind: Pick<KindDefinition, 'fields'>, key: string): Field | undefined {
  return key.startsWith(BUILT_IN_MARK) ? builtInFieldAt(key) : fieldByKey(kind, key);
}
