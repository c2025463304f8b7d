import { ok, textOrder } from '../../values/index.js';
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
import type { FieldType } from './field-type.js';
import { CHOICE_CONTROLS, isEmptyInput, isText, wrongType } from './field-type.js';

/** Texts longer than this on average are sentences that happen to come back. */
const LONGEST_ON_AVERAGE = 32;
/** A column looks like choices when its values come back at least this often on average. */
const LEAST_REPEATS = 3;

export const oneChoiceType: FieldType<string> = {
  label: 'one choice',
  icon: 'label',
  control: 'one-choice',
  settings: ['choices'],
  short: true,
  checkSettings: checkChoices,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string' && typeof input !== 'number') return wrongType(field, 'one of its choices');
    const choice = findChoice(String(input), field.settings.choices ?? []);
    return choice ? ok(choice.key) : notAChoice(String(input), field);
  },
  holds: isText,
  toText: (value, field) => choiceLabel(value, field),
  format: (value, field) => choiceLabel(value, field),
  column: { kind: 'choices', of: (value) => [value] },
  facets: CHOICE_CONTROLS,
  words: (value, field) => choiceLabel(value, field),
  propose(sample) {
    const labels = distinctLabels(sample.tally);
    const repeats = sample.filled / Math.max(1, labels.length);
    const tooMany = labels.length > MOST_CHOICES || labels.length < 2;
    if (tooMany || repeats < LEAST_REPEATS || sample.longest > LONGEST_CHOICE) return null;
    const characters = labels.reduce((sum, label) => sum + label.length, 0);
    if (characters / labels.length > LONGEST_ON_AVERAGE) return null;
    labels.sort(textOrder(sample.context.locale));
    const { formats } = sample.context;
    return {
      strength: 0.7,
      settings: { choices: choicesFromLabels(labels) },
      reason: `${formats.number(sample.filled)} values are only ${formats.number(labels.length)} different ones.`,
    };
  },
};
