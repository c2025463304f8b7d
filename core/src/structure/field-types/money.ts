import type { Formats, Money } from '../../values/index.js';
import {
  isCurrency,
  issue,
  minorDigits,
  minorFromText,
  moneyToText,
  ok,
  parseNumber,
  refuse,
} from '../../values/index.js';
import type { Field } from '../fields/field.js';
import { boundNumber, boundsIssue, checkNumberBounds, stepIssue } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, withAffixes, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';

export const DEFAULT_CURRENCY = 'EUR';

/** Currency marks that stand for one code only where nothing else is said (common practice). */
const MARKS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY', '₹': 'INR' };

const MARKED = /^([€$£¥₹]|[A-Z]{3})?\s*([+-−]?[\d.,'\s]*\d[\d.,]*)\s*([€$£¥₹]|[A-Z]{3})?$/u;

function currencyOf(field: Field): string {
  return field.settings.currency ?? DEFAULT_CURRENCY;
}

/** The number and the currency code that a text such as "€ 1,250.00" or "12.50 EUR" holds. */
function split(text: string): { number: string; currency: string | null } | null {
  const match = MARKED.exec(text.trim());
  if (!match || (match[1] && match[3])) return null;
  const mark = match[1] ?? match[3] ?? null;
  return { number: match[2] ?? '', currency: mark === null ? null : (MARKS[mark] ?? mark) };
}

/** Minor units of a number as typed. The digits are moved as text, so that no amount passes through a rounded float. */
function minorOf(number: string, currency: string, context: ReadContext): number | null {
  const value = parseNumber(number, context.marks);
  return value === null ? null : minorFromText(plainText(value), currency);
}

function plainText(value: number): string {
  const text = String(value);
  return text.includes('e') ? value.toFixed(0) : text;
}

function isMoney(input: unknown): input is Money {
  const money = input as Partial<Money> | null;
  return typeof input === 'object' && Number.isSafeInteger(money?.minor) && typeof money?.currency === 'string';
}

export const moneyType: FieldType<Money> = {
  label: 'money',
  icon: 'payments',
  control: 'line',
  settings: ['currency', 'least', 'greatest', 'step', 'before', 'after'],
  short: true,
  checkSettings(field) {
    if (isCurrency(currencyOf(field))) return checkNumberBounds(field);
    return `${field.label} needs a currency code of three letters, such as EUR.`;
  },
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    const currency = currencyOf(field);
    let given: Money;
    if (isMoney(input)) {
      given = { minor: input.minor, currency: input.currency };
    } else {
      if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'an amount of money');
      const parts = typeof input === 'number' ? { number: plainText(input), currency: null } : split(input);
      const minor = parts && minorOf(parts.number, parts.currency ?? currency, context);
      if (!parts || minor === null) {
        return refuse(issue('value.not-money', { label: field.label, found: String(input) }, { field: field.key }));
      }
      given = { minor, currency: parts.currency ?? currency };
    }
    if (given.currency !== currency) {
      const params = { label: field.label, wanted: currency, found: given.currency };
      return refuse(issue('value.currency', params, { field: field.key }));
    }
    const major = given.minor / 10 ** minorDigits(currency);
    const found =
      boundsIssue(
        major,
        field,
        (bound) => boundNumber(bound, context),
        (bound) => formatMajor(bound, field, context.formats),
      ) ?? stepIssue(major, field, context);
    return found ? refuse(found) : ok(given);
  },
  holds: isMoney,
  toText: (value) => moneyToText(value),
  format(value, field, formats) {
    return withAffixes(formats.money(value), field);
  },
  column: {
    kind: 'number',
    of: (value) => value.minor,
    boundFromText(text, field) {
      const number = parseNumber(text, { decimal: '.', group: '' });
      return number === null ? null : Math.round(number * 10 ** minorDigits(currencyOf(field)));
    },
    boundToText: (bound, field) => String(Number(moneyToText({ minor: bound, currency: currencyOf(field) }))),
    formatBound: (bound, field, formats) => formats.money({ minor: bound, currency: currencyOf(field) }),
  },
  facets: ['range'],
  propose(sample) {
    const currencies = new Set<string>();
    const fitting = countFitting(sample, (value) => {
      const parts = split(value);
      if (!parts?.currency || parseNumber(parts.number, sample.context.marks) === null) return false;
      currencies.add(parts.currency);
      return true;
    });
    const [currency] = currencies;
    if (currency === undefined || currencies.size > 1) return null;
    return proposeIfEnough(sample, fitting, 0.95, { plural: `amounts in ${currency}`, settings: { currency } });
  },
};

function formatMajor(major: number, field: Field, formats: Formats): string {
  const currency = currencyOf(field);
  return formats.money({ minor: Math.round(major * 10 ** minorDigits(currency)), currency });
}
