import { issue, refuse } from '../../values/index.js';
import type { Field } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { isText, withAffixes } from './field-type.js';
import { LONGEST_SHORT_TEXT, readLine } from './short-text.js';
import { counterOf, hasOneCounter } from './text-pattern.js';

export const DEFAULT_REFERENCE = '####';

export function referencePattern({ settings }: Field): string {
  return settings.pattern ?? DEFAULT_REFERENCE;
}

/** Numbers that are given out by a counter; no two listings have the same. */
export const referenceType: FieldType<string> = {
  label: 'reference number',
  icon: 'numbers',
  control: 'line',
  settings: ['pattern', 'before', 'after'],
  short: true,
  nests: false,
  checkSettings(field) {
    if (hasOneCounter(referencePattern(field))) return null;
    return `The pattern of ${field.label} needs one run of #, which counts: B-####.`;
  },
  read(input, field) {
    const pattern = referencePattern(field);
    const read = readLine(input, { ...field, settings: {} }, LONGEST_SHORT_TEXT);
    if (!read.ok || read.value === null || counterOf(read.value, pattern) !== null) return read;
    return refuse(issue('value.pattern', { label: field.label, pattern, found: read.value }, { field: field.key }));
  },
  holds: isText,
  toText: (value) => value,
  format: withAffixes,
  column: { kind: 'text', of: (value) => value },
  facets: [],
  words: (value) => value,
};
