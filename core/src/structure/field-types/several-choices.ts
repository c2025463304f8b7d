import type { Result } from '../../values/index.js';
import { numberEvidence, ok, textOrder } from '../../values/index.js';
import {
  LONGEST_CHOICE,
  MOST_CHOICES,
  checkChoices,
  choiceLabel,
  choicesFromLabels,
  distinctLabels,
  findChoice,
  notAChoice,
} from './choices.js';
import type { Choice } from '../fields/field.js';
import type { FieldType } from './field-type.js';
import { CHOICE_CONTROLS, isEmptyInput, wrongType } from './field-type.js';
import type { ColumnSample } from './proposal.js';
import { countFitting } from './proposal.js';

const SEPARATORS = [';', '|', ','] as const;
/** A column looks like lists when at least this share of its cells holds the separator. */
const LEAST_LISTS = 0.15;
const LEAST_REPEATS = 3;

function pieces(text: string, separator: string): string[] {
  return text
    .split(separator)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '');
}

/** The pieces of a cell, split at the first separator that it holds. */
function piecesOf(text: string): string[] {
  const separator = SEPARATORS.find((candidate) => text.includes(candidate));
  return separator ? pieces(text, separator) : [text];
}

export const severalChoicesType: FieldType<readonly string[]> = {
  label: 'several choices',
  icon: 'checklist',
  control: 'several-choices',
  settings: ['choices'],
  short: true,
  checkSettings: checkChoices,
  read(input, field): Result<readonly string[] | null> {
    if (isEmptyInput(input)) return ok(null);
    const choices = field.settings.choices ?? [];
    const texts = textsOf(input, choices);
    if (!texts?.every((text) => typeof text === 'string')) return wrongType(field, 'a list of its choices');
    const keys = new Set<string>();
    for (const text of texts) {
      const choice = findChoice(text, choices);
      if (!choice) return notAChoice(text, field);
      keys.add(choice.key);
    }
    // Kept in the defined order, so that equal sets are equal values.
    const ordered = choices.map((choice) => choice.key).filter((key) => keys.has(key));
    return ok(ordered.length === 0 ? null : ordered);
  },
  holds: (value): value is readonly string[] => Array.isArray(value),
  toText: (value, field) => value.map((key) => choiceLabel(key, field)).join('; '),
  format: (value, field, formats) => formats.list(value.map((key) => choiceLabel(key, field))),
  column: { kind: 'choices', of: (value) => value },
  facets: CHOICE_CONTROLS,
  words: (value, field) => value.map((key) => choiceLabel(key, field)).join(' '),
  propose(sample) {
    for (const separator of SEPARATORS) {
      if (separator === ',' && areDecimals(sample)) continue;
      const lists = countFitting(sample, (value) => value.includes(separator));
      if (lists < LEAST_LISTS * sample.filled || lists < 2) continue;
      const tally = new Map<string, number>();
      let all = 0;
      for (const [value, times] of sample.tally) {
        for (const piece of pieces(value, separator)) {
          tally.set(piece, (tally.get(piece) ?? 0) + times);
          all += times;
        }
      }
      const labels = distinctLabels(tally);
      const fits = labels.length <= MOST_CHOICES && labels.every((label) => label.length <= LONGEST_CHOICE);
      if (!fits || labels.length < 2 || all / labels.length < LEAST_REPEATS) continue;
      labels.sort(textOrder(sample.context.locale));
      const { formats } = sample.context;
      return {
        strength: 0.9,
        settings: { choices: choicesFromLabels(labels) },
        separator,
        reason: `${formats.number(lists)} cells hold lists parted by “${separator}”, of only ${formats.number(labels.length)} different entries.`,
      };
    }
    return null;
  },
};

/** Whether the commas of a column stand in numbers. */
function areDecimals({ tally }: ColumnSample): boolean {
  const withComma = [...tally.keys()].filter((value) => value.includes(','));
  const numbers = withComma.filter((value) => numberEvidence(value).kind !== 'none');
  return numbers.length > withComma.length / 2;
}

/** The texts to look up: a list as it is, a text whole when it names a choice, else its pieces; null for anything else. */
function textsOf(input: unknown, choices: readonly Choice[]): readonly unknown[] | null {
  if (Array.isArray(input)) return input;
  if (typeof input !== 'string') return null;
  return findChoice(input, choices) ? [input] : piecesOf(input);
}
