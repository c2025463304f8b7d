import type { Issue } from '../../values/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import { checkEntries, entriesIssue } from './bounds.js';
import type { FieldType, TypeOf } from './field-type.js';
import { inputText, isEmptyInput } from './field-type.js';
import { wordsOfEntry } from './group.js';
import type { Entry } from './subfields.js';
import { isEntry, parsedJson, partsOf, readEntry, subfieldsOf, textsOf } from './subfields.js';

export const MOST_ROWS = 500;

/**
 * Several values under one label, any number of times, in an order of their own: tariff rows. Refused by
 * `value.not-rows`.
 */
export function makeRowsType(typeOf: TypeOf): FieldType<readonly Entry[]> {
  return {
    label: 'rows',
    icon: 'table_rows',
    control: 'rows',
    settings: ['fields', 'fewest', 'most'],
    short: false,
    checkSettings: (field) => checkEntries(field, MOST_ROWS),
    read(input, field, context) {
      if (isEmptyInput(input)) return ok(null);
      const given = parsedJson(input);
      if (!Array.isArray(given)) {
        const params = { label: field.label, found: inputText(input), wanted: 'a list of rows' };
        return refuse(issue('value.not-rows', params, { field: field.key }));
      }
      const { words } = context.formats;
      const rows: Entry[] = [];
      const issues: Issue[] = [];
      for (const [at, row] of (given as readonly unknown[]).entries()) {
        const place = {
          path: `${field.key}.${at}`,
          label: words.say('value.row', { label: field.label, number: at + 1 }),
        };
        if (!isEntry(row)) {
          const params = { label: place.label, found: inputText(row), wanted: 'a set of values' };
          issues.push(issue('value.not-rows', params, { field: place.path }));
          continue;
        }
        // A row that was added and never filled in is left out.
        if (Object.values(row).every(isEmptyInput)) continue;
        const read = readEntry(row, subfieldsOf(field), place, typeOf, context);
        issues.push(...read.issues);
        rows.push(read.entry);
      }
      const wrong = rows.length === 0 ? null : entriesIssue(rows.length, field, MOST_ROWS);
      const [first, ...more] = wrong ? [...issues, wrong] : issues;
      if (first) return refuse(first, more);
      return ok(rows.length === 0 ? null : rows);
    },
    holds: (value): value is readonly Entry[] => Array.isArray(value) && value.every(isEntry),
    toText: (value, field) => JSON.stringify(value.map((row) => textsOf(row, subfieldsOf(field), typeOf))),
    format: (value, _field, { words }) => words.say('value.rows', { count: value.length }),
    column: null,
    facets: [],
    parts: (value, field) => value.map((row) => partsOf(row, subfieldsOf(field), typeOf)),
    words: (value, field) => value.map((row) => wordsOfEntry(row, field, typeOf)).join(' '),
  };
}
