import { firstFreeSlug, foldText, issue, normaliseLine, refuse, slugOf } from '../../values/index.js';
import type { Result } from '../../values/index.js';
import type { Choice, Field } from '../fields/field.js';

/** What one-choice and several-choices fields share: finding a choice by what was typed, and making choices of labels. */

export const MOST_CHOICES = 500;
export const LONGEST_CHOICE = 80;

/** The choice that a text names by key or by label, without regard to case and accents. */
export function findChoice(text: string, choices: readonly Choice[]): Choice | null {
  const wanted = normaliseLine(text);
  const folded = foldText(wanted);
  return (
    choices.find((choice) => choice.label === wanted) ??
    choices.find((choice) => choice.key === wanted) ??
    choices.find((choice) => foldText(choice.label) === folded) ??
    null
  );
}

/** Says that a text is none of the choices of a field: `value.not-a-choice`. */
export function notAChoice<T>(found: string, field: Field): Result<T> {
  return refuse(issue('value.not-a-choice', { label: field.label, found }, { field: field.key }));
}

export function choiceLabel(key: string, field: Field): string {
  return field.settings.choices?.find((choice) => choice.key === key)?.label ?? key;
}

/** Choices for a list of different labels, with unique keys. */
export function choicesFromLabels(labels: readonly string[]): Choice[] {
  const taken = new Set<string>();
  return labels.map((label) => {
    const key = firstFreeSlug(slugOf(label) || 'choice', (slug) => taken.has(slug));
    taken.add(key);
    return { key, label };
  });
}

/** Says what is wrong with a field's choices, or null. */
export function checkChoices(field: Field): string | null {
  const choices = field.settings.choices ?? [];
  if (choices.length === 0) return `${field.label} needs at least one choice.`;
  if (choices.length > MOST_CHOICES)
    return `${field.label} has ${choices.length} choices; at most ${MOST_CHOICES} fit.`;
  const labels = new Set<string>();
  const keys = new Set<string>();
  for (const { key, label } of choices) {
    if (label.trim() === '') return `${field.label} has a choice without a label.`;
    if (label.length > LONGEST_CHOICE) return `${field.label} has a choice of over ${LONGEST_CHOICE} characters.`;
    if (!/^[\p{L}\p{N}_-]+$/u.test(key))
      return `The choice “${label}” of ${field.label} has a key that cannot stand in an address.`;
    if (labels.has(foldText(label)) || keys.has(key)) return `${field.label} has the choice “${label}” twice.`;
    labels.add(foldText(label));
    keys.add(key);
  }
  return null;
}

/** Joins labels that differ only in case or accents, the most frequent spelling first in use. */
export function distinctLabels(tally: ReadonlyMap<string, number>): string[] {
  const spellings = new Map<string, { label: string; times: number }>();
  for (const [text, times] of tally) {
    const label = normaliseLine(text);
    const known = spellings.get(foldText(label));
    if (!known || times > known.times) spellings.set(foldText(label), { label, times });
  }
  return [...spellings.values()].map(({ label }) => label);
}
