import type { FormDesign, Question } from '../design/index.js';
import { askedField, questionName, questionsOf } from '../design/index.js';
import type { Listing, ListingContent, ListingInput } from '../listings/index.js';
import { conditionHolds, isShown, readListing } from '../listings/index.js';
import type { Entry, Field, Kind, LinkedListing, ReadContext } from '../structure/index.js';
import {
  BUILT_IN_MARK,
  entriesIn,
  fieldAt,
  fieldType,
  hasSubfields,
  isEmptyInput,
  plainOfHtml,
  subfieldsOf,
} from '../structure/index.js';
import type { Formats, Issue } from '../values/index.js';
import { isAbout, issue } from '../values/index.js';
import type { SentValues } from './submission.js';

/** What was answered, by the key of the field that a question fills: texts as typed, lists of them, or parts of a value. */
export type Answers = Readonly<Record<string, unknown>>;

export interface ReadAnswers {
  /** Of the questions that are asked, what was answered, read by the types of their fields. */
  readonly values: SentValues;
  /** What is missing or not right; `field` is the key of the field, a built-in one with its mark. */
  readonly issues: readonly Issue[];
  /** Keys of the fields of questions that don't apply to what is answered. */
  readonly hidden: readonly string[];
}

type BuiltInAnswer = 'title' | 'summary' | 'picture' | 'body' | 'place';
const BUILT_IN_ANSWERS: readonly BuiltInAnswer[] = ['title', 'summary', 'picture', 'body', 'place'];

/**
 * Reads the answers to a form for listings of a kind. What is not asked for, as its condition doesn't hold, is left out.
 * Answers to links are numbers of listings; whether those are there, only a store can tell.
 */
export function readAnswers(form: FormDesign, kind: Kind, answers: Answers, context: ReadContext): ReadAnswers {
  const questions = questionsOf(form).filter(({ field }) => askedField(kind, field));
  const named = withLabels(kind, questions);
  const first = readListing(inputOf(answers, questions, kind), named, context).content;
  const asked = questions.filter((question) => isAsked(question, kind, first, context));
  const { content, issues } = readListing(inputOf(answers, asked, kind), named, context);
  const values = Object.fromEntries(asked.map(({ field }) => [field, valueIn(content, field, kind, answers)]));
  const isGiven = ({ field }: Question): boolean => !isEmptyAnswer(values[field]) || !isEmptyAnswer(answers[field]);
  const missing = asked.filter((one) => (one.isRequired || askedField(kind, one.field)!.required) && !isGiven(one));
  const known = issues
    .map(placed)
    .filter(({ field = '' }) => asked.some((one) => isAbout(field, one.field) && !missing.includes(one)));
  return {
    values,
    issues: [
      ...known,
      ...missing.map((one) => issue('value.required', { label: questionName(one, kind) }, { field: one.field })),
    ],
    hidden: questions.filter((question) => !asked.includes(question)).map(({ field }) => field),
  };
}

/** The kind with its fields called as the form calls them, so that refusals name what the visitor reads. */
function withLabels(kind: Kind, questions: readonly Question[]): Kind {
  const fields = kind.fields.map((field) => {
    const label = questions.find((one) => one.field === field.key)?.label ?? '';
    return { ...field, required: false, ...(label !== '' && { label }) };
  });
  return { ...kind, fields };
}

function isAsked({ field, showWhen }: Question, kind: Kind, { values }: ListingContent, context: ReadContext): boolean {
  const own = askedField(kind, field)!;
  if (!field.startsWith(BUILT_IN_MARK) && !isShown(own, values, kind, context)) return false;
  return !showWhen || conditionHolds(showWhen, values, kind.fields, context);
}

/** What the listings of a kind are made of from answers; of links nothing, as they are kept apart. */
function inputOf(answers: Answers, questions: readonly Question[], kind: Kind): ListingInput {
  const isAnswered = (key: string): boolean => Object.hasOwn(answers, key) && fieldAt(kind, key)?.type !== 'link';
  const keys = questions.map(({ field }) => field).filter(isAnswered);
  return inputOfValues(Object.fromEntries(keys.map((key) => [key, answers[key]])));
}

/** What was sent as an input for a listing. */
export function inputOfValues(values: SentValues): ListingInput {
  const built = Object.entries(values).filter(([key]) => key.startsWith(BUILT_IN_MARK));
  const own = Object.entries(values).filter(([key]) => !key.startsWith(BUILT_IN_MARK));
  return {
    ...Object.fromEntries(built.map(([key, value]) => [key.slice(BUILT_IN_MARK.length), value])),
    values: Object.fromEntries(own),
  };
}

function valueIn(content: ListingContent, key: string, kind: Kind, answers: Answers): unknown {
  if (key.startsWith(BUILT_IN_MARK)) return content[key.slice(BUILT_IN_MARK.length) as BuiltInAnswer];
  if (fieldAt(kind, key)?.type === 'link') return numbersOf(answers[key]);
  return content.values[key] ?? null;
}

/** The numbers of listings in an answer to a link. */
function numbersOf(answer: unknown): number[] {
  const all = Array.isArray(answer) ? (answer as readonly unknown[]) : [answer];
  const numbers = all.map((one) => (typeof one === 'string' ? Number(one || NaN) : one));
  return [...new Set(numbers.filter((one): one is number => Number.isSafeInteger(one) && Number(one) > 0))];
}

/** An issue with the key of its field as forms have it: the reader of listings names built-in parts without their mark. */
function placed(one: Issue): Issue {
  const { field = '' } = one;
  const [first = ''] = field.split('.');
  return BUILT_IN_ANSWERS.some((part) => part === first) ? { ...one, field: `${BUILT_IN_MARK}${field}` } : one;
}

/** Whether nothing was answered: an empty text, no choice, none of the parts of a value, rows that are all empty. */
export function isEmptyAnswer(answer: unknown): boolean {
  if (isEmptyInput(answer)) return true;
  if (typeof answer !== 'object' || answer === null) return false;
  return Object.values(answer).every(isEmptyAnswer);
}

/** What a listing has in the fields that a form asks for. */
export function valuesOfListing(form: FormDesign, kind: Kind, listing: Listing): SentValues {
  const questions = questionsOf(form).filter(({ field }) => askedField(kind, field));
  return Object.fromEntries(questions.map(({ field }) => [field, valueOfListing(listing, field, kind)]));
}

/** What a listing has in a field, as it is sent for it; null for nothing. */
export function valueOfListing(listing: Listing, key: string, kind: Kind): unknown {
  if (key.startsWith(BUILT_IN_MARK)) return listing[key.slice(BUILT_IN_MARK.length) as BuiltInAnswer];
  const value = listing.values[key] ?? null;
  return fieldAt(kind, key)?.type === 'link' ? ((value ?? []) as LinkedListing[]).map(({ id }) => id) : value;
}

/** A value that was sent, as people read it; '' for nothing. `titleOf` names linked listings. */
export function sentText(
  field: Field,
  value: unknown,
  { formats }: ReadContext,
  titleOf: (id: number) => string,
): string {
  if (isEmptyInput(value)) return '';
  if (field.type === 'link') return formats.list((value as readonly number[]).map(titleOf));
  if (field.type === 'rich-text') return plainOfHtml(String(value));
  if (field.type === 'rows') return rowsText(field, value, formats);
  const type = fieldType(field.type);
  return type.holds(value) ? type.format(value, field, formats) : '';
}

/** Each row on a line of its own. */
function rowsText(field: Field, value: unknown, formats: Formats): string {
  if (!fieldType('rows').holds(value)) return '';
  return (value as readonly Entry[]).map((row) => fieldType('group').format(row, field, formats)).join('\n');
}

/** All texts that somebody has written, but those that are meant to be addresses. */
export function textsOf(values: SentValues, kind: Kind): string[] {
  return Object.entries(values).flatMap(([key, value]) => textsIn(value, fieldAt(kind, key)));
}

function textsIn(value: unknown, field: Field | undefined): string[] {
  if (field && hasSubfields(field)) {
    return entriesIn(value).flatMap((entry) => subfieldsOf(field).flatMap((sub) => textsIn(entry[sub.key], sub)));
  }
  return typeof value === 'string' && field?.type !== 'web-address' && field?.type !== 'email' ? [value] : [];
}
