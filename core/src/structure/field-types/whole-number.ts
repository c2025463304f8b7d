import { issue, refuse, wordsOf } from '../../values/index.js';
import { checkNumberBounds } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isNumber } from './field-type.js';
import type { ColumnSample, Proposal } from './proposal.js';
import { shareOf } from './proposal.js';
import { formatPlain, keptInBounds, plainNumberColumn, proposeNumbers, readPlainNumber } from './plain-number.js';

const WHOLE = { strength: 0.85, noun: 'whole numbers', accepts: Number.isSafeInteger, takesPercents: false } as const;

export const wholeNumberType: FieldType<number> = {
  label: 'whole number',
  icon: 'tag',
  control: 'number',
  settings: ['least', 'greatest', 'step', 'before', 'after'],
  short: true,
  checkSettings: checkNumberBounds,
  read(input, field, context) {
    const read = readPlainNumber(input, field, context, { wanted: 'a whole number', example: 12 });
    if (!read.ok || read.value === null) return read;
    const params = { label: field.label, found: String(input) };
    if (!Number.isInteger(read.value)) return refuse(issue('value.not-whole', params, { field: field.key }));
    if (!Number.isSafeInteger(read.value)) {
      const greatest = context.formats.number(Number.MAX_SAFE_INTEGER);
      return refuse(issue('value.too-large', { ...params, greatest }, { field: field.key }));
    }
    return keptInBounds(read.value, field, context);
  },
  holds: isNumber,
  toText: (value) => String(value),
  format: formatPlain,
  column: plainNumberColumn,
  facets: ['range'],
  propose(sample) {
    const proposal = proposeNumbers(sample, WHOLE);
    return (proposal && asYears(proposal, sample)) ?? proposal;
  },
};

/** Words of headers of columns with years, in English, German, French, Spanish and Italian. */
const YEAR_WORDS = [
  'year',
  'since',
  'built',
  'founded',
  'jahr',
  'baujahr',
  'seit',
  'annee',
  'depuis',
  'ano',
  'anno',
  'dal',
];
const FIRST_YEAR = 1000;
const YEARS_AHEAD = 10;

/** The same for a column that is called like one of years and holds nothing else: years have no thousands marks. */
function asYears(proposal: Proposal, sample: ColumnSample): Proposal | null {
  const { header, tally, context, filled } = sample;
  const last = new Date(context.nowInMs).getUTCFullYear() + YEARS_AHEAD;
  const years = [...tally.keys()].filter((value) => /^\d{4}$/.test(value)).map(Number);
  const isCalled = wordsOf(header).some((word) => YEAR_WORDS.includes(word));
  const areYears = years.length === tally.size && years.every((year) => year >= FIRST_YEAR && year <= last);
  if (!isCalled || !areYears) return null;
  const [from, to] = [Math.min(...years), Math.max(...years)];
  const reason = `${shareOf(filled, sample)} are years from ${from} to ${to}.`;
  return { ...proposal, settings: { greatest: `this year + ${YEARS_AHEAD}` }, reason };
}
