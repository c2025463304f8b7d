import type { SettingsOf } from '../settings/setting.js';
import { conditionSetting, flag, group, listOf, oneOf, readSettings, words } from '../settings/setting.js';

const MOST_STEPS = 12;
const MOST_QUESTIONS = 60;
const MOST_CONSENTS = 6;

const QUESTION = {
  /** Tells it from the others of its form. */
  key: words(80),
  /** Key of the field that it fills, a built-in one with its mark: "@title". */
  field: words(61),
  /** '' for the label of the field. */
  label: words(200),
  /** '' for the help of the field. */
  help: words(500),
  /** Whether it has to be answered, even if the kind does without. */
  isRequired: flag(),
  /** Asked only while this holds of what is answered; null for always. */
  showWhen: conditionSetting,
};

const CONSENT = { key: words(80), words: words(1000), isRequired: flag(true) };

/** A form with which visitors send in a listing of a kind. */
export const FORM_FORM = {
  name: words(80),
  purpose: words(300),
  steps: listOf(
    group({ key: words(80), title: words(80), help: words(1000), questions: listOf(group(QUESTION), MOST_QUESTIONS) }),
    MOST_STEPS,
  ),
  /** Whether the sender has to give an e-mail address; else it may be left out, and nobody can be told. */
  needsEmail: flag(true),
  consents: listOf(group(CONSENT), MOST_CONSENTS),
  /** On the button that sends it; '' for the words of the site. */
  button: words(60),
  /** What the sender reads once it is sent; '' for the words of the site. */
  thanks: words(1000),
  /** The status of a listing that is accepted, and whether it is featured. */
  beginsAs: oneOf(['live', 'draft'], 'live'),
  beginsFeatured: flag(),
};

export type FormDesign = SettingsOf<typeof FORM_FORM>;
export type FormStep = FormDesign['steps'][number];
export type Question = FormStep['questions'][number];
export type Consent = FormDesign['consents'][number];

export type FormSketch = Partial<Omit<FormDesign, 'steps' | 'consents'>> & {
  readonly steps?: readonly (Partial<Omit<FormStep, 'questions'>> & {
    readonly questions?: readonly Partial<Question>[];
  })[];
  readonly consents?: readonly Partial<Consent>[];
};

/**
 * A form with every property at its plain default but those given; keys are numbered where none are given. Throws a
 * `SettingFault` for what cannot be.
 */
export function makeForm(given: FormSketch): FormDesign {
  const form = readSettings(FORM_FORM, given, 'form');
  const taken = new Set<string>();
  const keyed = <Part extends { readonly key: string }>(name: string, part: Part): Part => {
    const key = freeKey(part.key || name, taken);
    taken.add(key);
    return { ...part, key };
  };
  return {
    ...form,
    steps: form.steps.map((step) => {
      const own = keyed('step', step);
      return { ...own, questions: own.questions.map((question) => keyed('question', question)) };
    }),
    consents: form.consents.map((consent) => keyed('consent', consent)),
  };
}

function freeKey(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted;
  for (let number = 2; ; number++) if (!taken.has(`${wanted}-${number}`)) return `${wanted}-${number}`;
}

/** All questions of a form, in the order in which they are asked. */
export function questionsOf({ steps }: Pick<FormDesign, 'steps'>): readonly Question[] {
  return steps.flatMap(({ questions }) => questions);
}

/** The form with every question changed. */
export function withQuestions(form: FormDesign, change: (question: Question) => Question): FormDesign {
  const steps = form.steps.map((step) => ({ ...step, questions: step.questions.map(change) }));
  return { ...form, steps };
}
