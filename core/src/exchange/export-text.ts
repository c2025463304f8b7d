import type { Field } from '../structure/index.js';
import { fieldType } from '../structure/index.js';
import type { Money } from '../values/index.js';
import { moneyToText } from '../values/index.js';

/** A column of a table that is written into a file. */
export interface ExportColumn<Row> {
  readonly field: Field;
  valueOf(row: Row): unknown;
}

/** A value as a file has it: the import reads it as the same value, whatever the site writes. */
export function exportText(value: unknown, field: Field): string {
  const type = fieldType(field.type);
  if (!type.holds(value)) return '';
  // Without its currency an amount would be any number.
  if (field.type === 'money') return `${moneyToText(value as Money)} ${(value as Money).currency}`;
  return type.toText(value, field);
}
