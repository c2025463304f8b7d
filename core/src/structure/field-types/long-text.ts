import { issue, normaliseText, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, wrongType } from './field-type.js';
import { countFitting } from './proposal.js';
import { LONGEST_SHORT_TEXT, checkLengths } from './short-text.js';

export const LONGEST_LONG_TEXT = 100_000;
const LONG_FROM = 160;

export const longTextType: FieldType<string> = {
  label: 'long text',
  icon: 'notes',
  control: 'area',
  settings: ['shortest', 'longest'],
  short: false,
  checkSettings: (field) => checkLengths(field, LONGEST_LONG_TEXT),
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string') return wrongType(field, 'a text');
    const text = normaliseText(input);
    const greatest = field.settings.longest ?? LONGEST_LONG_TEXT;
    const params = { label: field.label, found: text.length };
    if (text.length > greatest) return refuse(issue('value.too-long', { ...params, greatest }, { field: field.key }));
    const least = field.settings.shortest ?? 0;
    if (text.length < least) return refuse(issue('value.too-short', { ...params, least }, { field: field.key }));
    return ok(text);
  },
  holds: isText,
  toText: (value) => value,
  format: (value) => value,
  column: null,
  facets: [],
  words: (value) => value,
  propose(sample) {
    const isLong = (value: string): boolean => value.length > LONGEST_SHORT_TEXT || value.includes('\n');
    const long = countFitting(sample, isLong);
    if (sample.longest < LONG_FROM && long === 0) return null;
    const breaks = [...sample.tally.keys()].some((value) => value.includes('\n'))
      ? ', and some have several lines'
      : '';
    return {
      // A single long text in a column of numbers is a slip, not a reason.
      strength: long >= sample.filled / 10 ? 0.95 : long > 0 ? 0.6 : 0.3,
      settings: {},
      reason: `The longest text has ${sample.longest.toLocaleString(sample.context.locale)} characters${breaks}.`,
    };
  },
};
