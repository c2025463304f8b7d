import type { Result } from '../../values/index.js';
import { issue, normaliseLine, ok, refuse } from '../../values/index.js';
import type { Field } from '../field.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, wrongType } from './field-type.js';

export const LONGEST_SHORT_TEXT = 300;

/** Reads one line of text of at most `longest` characters; shared by all types that are kept as a line. */
export function readLine(input: unknown, field: Field, longest: number): Result<string | null> {
  if (isEmptyInput(input)) return ok(null);
  if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'a text');
  const text = normaliseLine(String(input));
  if (text.length > longest) {
    return refuse(
      issue('value.too-long', { label: field.label, found: text.length, greatest: longest }, { field: field.key }),
    );
  }
  return ok(text);
}

export const shortTextType: FieldType<string> = {
  label: 'short text',
  icon: 'short_text',
  control: 'line',
  settings: ['longest', 'before', 'after'],
  short: true,
  read: (input, field) => readLine(input, field, field.settings.longest ?? LONGEST_SHORT_TEXT),
  holds: isText,
  toText: (value) => value,
  format: (value) => value,
  column: { kind: 'text', of: (value) => value },
  facet: null,
  words: (value) => value,
  propose: (sample) => ({
    strength: 0.1,
    settings: {},
    reason: `${sample.tally.size.toLocaleString(sample.context.locale)} different texts; the longest has ${sample.longest} characters.`,
  }),
};
