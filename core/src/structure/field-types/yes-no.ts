import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, wrongType } from './field-type.js';
import type { ColumnSample } from './proposal.js';
import { countFitting, proposeIfEnough } from './proposal.js';

/** Yes and no, true and false, in English, German, French, Spanish, Italian, Portuguese, Dutch, Polish, Romanian, Swedish,
 * Danish, Czech, Hungarian, Greek, Finnish, Ukrainian and Russian; spreadsheets write the latter two of each. */
const YES = new Set([
  ...['yes', 'y', 'true', 'on', '1', 'x', '✓', '✔', '☑', 'ja', 'j', 'wahr', 'oui', 'vrai', 'sí', 'si', 'verdadero'],
  ...['sì', 'vero', 'sim', 'verdadeiro', 'waar', 'tak', 'prawda', 'da', 'adevărat', 'sant', 'sand', 'ano', 'pravda'],
  ...['igen', 'igaz', 'ναι', 'kyllä', 'так', 'да', 'истина'],
]);
const NO = new Set([
  ...[
    'no',
    'n',
    'false',
    'off',
    '0',
    '-',
    '✗',
    '✘',
    '☐',
    'nein',
    'falsch',
    'non',
    'faux',
    'falso',
    'não',
    'nao',
    'nee',
  ],
  ...['onwaar', 'nie', 'fałsz', 'nu', 'fals', 'nej', 'falskt', 'falsk', 'ne', 'nepravda', 'nem', 'hamis', 'όχι', 'ei'],
  ...['ні', 'нет', 'ложь'],
]);
/** Words that mean yes or no wherever they stand; the digits and marks beside them need a header that asks a question. */
const AMBIGUOUS = new Set(['1', '0', 'x', 'y', 'n', 'j', '-', 'on', 'off']);
/** Pairs of those that mean nothing else, and marks that stand alone where the other cells are empty. */
const PAIRS: readonly (readonly string[])[] = [
  ['y', 'n'],
  ['j', 'n'],
  ['x', '-'],
  ['on', 'off'],
];
const ALONE = new Set(['x', '✓', '✔', '☑']);

function meaning(text: string): boolean | null {
  const word = text.trim().toLowerCase();
  if (YES.has(word)) return true;
  return NO.has(word) ? false : null;
}

export const yesNoType: FieldType<boolean> = {
  label: 'yes/no',
  icon: 'toggle_on',
  control: 'yes-no',
  settings: [],
  short: true,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input === 'boolean') return ok(input);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'yes or no');
    const value = meaning(String(input));
    if (value !== null) return ok(value);
    return refuse(issue('value.not-yes-no', { label: field.label, found: String(input) }, { field: field.key }));
  },
  holds: (value): value is boolean => typeof value === 'boolean',
  toText: (value) => (value ? 'yes' : 'no'),
  format: (value, _field, { words }) => words.say(value ? 'value.yes' : 'value.no'),
  column: { kind: 'yes-no', of: (value) => value },
  facets: ['yes-no', 'ticks'],
  propose(sample) {
    const words = [...new Set([...sample.tally.keys()].map((value) => value.toLowerCase()))];
    const [only = ''] = words;
    const hasBlanks = sample.rows > sample.filled;
    if (words.length === 1 && hasBlanks && (ALONE.has(only) || (YES.has(only) && !AMBIGUOUS.has(only)))) {
      const reason = `“${only}” stands in ${shareOfRows(sample)}; the empty ones are no.`;
      return { strength: 0.97, settings: {}, reason, blankIsNo: true };
    }
    const asks = /^(is|has|can|with|allows?|offers?)[\s_-]/i.test(sample.header);
    const isPair = PAIRS.some((pair) => words.length === 2 && pair.every((word) => words.includes(word)));
    if (!asks && !isPair && words.every((word) => AMBIGUOUS.has(word))) return null;
    const fitting = countFitting(sample, (value) => meaning(value) !== null);
    return proposeIfEnough(sample, fitting, 0.97, { plural: 'yes or no' });
  },
};

function shareOfRows({ filled, rows, context: { formats } }: ColumnSample): string {
  return `${formats.number(filled)} of ${formats.number(rows)} cells`;
}
