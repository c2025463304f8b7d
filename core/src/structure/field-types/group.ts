import { issue, ok, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldType, TypeOf } from './field-type.js';
import { inputText, isEmptyInput } from './field-type.js';
import type { Entry } from './subfields.js';
import { isEntry, parsedJson, partsOf, readEntry, subfieldsOf, textsOf } from './subfields.js';

/** Several values under one label, once: rooms and their areas. Refused by `value.not-rows`. */
export function makeGroupType(typeOf: TypeOf): FieldType<Entry> {
  return {
    label: 'group',
    icon: 'ad_group',
    control: 'group',
    settings: ['fields'],
    short: false,
    read(input, field, context) {
      if (isEmptyInput(input)) return ok(null);
      const given = parsedJson(input);
      if (!isEntry(given)) {
        const params = { label: field.label, found: inputText(input), wanted: 'a set of values' };
        return refuse(issue('value.not-rows', params, { field: field.key }));
      }
      const place = { path: field.key, label: field.label };
      // A group in which nothing is given is empty, whatever its fields require.
      const isBlank = Object.values(given).every(isEmptyInput);
      if (isBlank) return ok(null);
      const { entry, issues } = readEntry(given, subfieldsOf(field), place, typeOf, context);
      const [first, ...more] = issues;
      if (first) return refuse(first, more);
      return ok(Object.keys(entry).length === 0 ? null : entry);
    },
    holds: isEntry,
    toText: (value, field) => JSON.stringify(textsOf(value, subfieldsOf(field), typeOf)),
    format: (value, field, formats) =>
      formats.list(
        partsOf(value, subfieldsOf(field), typeOf).map(
          (part) => `${part.field.label} ${typeOf(part.field.type).format(part.value, part.field, formats)}`,
        ),
      ),
    column: null,
    facets: [],
    parts: (value, field) => [partsOf(value, subfieldsOf(field), typeOf)],
    words: (value, field) => wordsOfEntry(value, field, typeOf),
  };
}

/** What the text search reads of an entry. */
export function wordsOfEntry(entry: Entry, field: Field, typeOf: TypeOf): string {
  return partsOf(entry, subfieldsOf(field), typeOf)
    .map((part) => typeOf(part.field.type).words?.(part.value, part.field) ?? '')
    .filter((words) => words !== '')
    .join(' ');
}
