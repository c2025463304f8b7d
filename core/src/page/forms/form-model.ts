import type { MapTiles, Picture } from '../../structure/index.js';

/** How a visitor is asked for the value of a field. */
export type QuestionControl =
  | {
      readonly as: 'line';
      readonly input: 'text' | 'email' | 'url' | 'tel' | 'date' | 'datetime-local' | 'time' | 'color';
      /** Whether a number is typed, so that telephones show digits. */
      readonly isNumber: boolean;
      /** Stands before and behind it, such as a unit; '' for nothing. */
      readonly before: string;
      readonly after: string;
    }
  | { readonly as: 'text'; readonly rows: number }
  | { readonly as: 'one' | 'several'; readonly options: readonly QuestionOption[] }
  | { readonly as: 'range'; readonly input: 'text' | 'date' | 'datetime-local' | 'time'; readonly after: string }
  | { readonly as: 'pictures'; readonly most: number }
  | { readonly as: 'file' }
  | { readonly as: 'place'; readonly base: string | null; readonly tiles: MapTiles | null }
  /** A group, once, or rows, any number of times; `questions` have no answer, and the keys of the fields inside. */
  | {
      readonly as: 'entries';
      readonly questions: readonly QuestionModel[];
      /** The most rows; null for a group. */
      readonly most: number | null;
    }
  /** `options` where there are few listings to choose from; else they are searched for, and `chosen` has those that are answered. */
  | {
      readonly as: 'links';
      readonly many: boolean;
      readonly options: readonly QuestionOption[] | null;
      readonly chosen: readonly QuestionOption[];
    };

export interface QuestionOption {
  readonly value: string;
  readonly label: string;
  /** How deep a category lies; 0 for everything else. */
  readonly depth: number;
}

export interface QuestionModel {
  /** Key of the field, a built-in one with its mark; the name of its controls in the form. */
  readonly field: string;
  readonly label: string;
  readonly help: string;
  readonly isRequired: boolean;
  /** Whether other questions may come or go when it is answered. */
  readonly isAskedAbout: boolean;
  /** Whether it doesn't apply to what is answered. */
  readonly isHidden: boolean;
  readonly control: QuestionControl;
  /** What is answered, as its controls have it; none for nothing yet. */
  readonly answer: Answer;
}

/** An answer as the controls of a form have it: what is typed or chosen, parts of it by name, pictures, or answers inside it. */
export interface Answer {
  readonly texts: readonly string[];
  readonly parts: Readonly<Record<string, string>>;
  readonly pictures: readonly Picture[];
  /** Of a group, which is one, and of rows: the answers by the keys of the fields inside. */
  readonly entries: readonly Readonly<Record<string, Answer>>[];
}

export const NO_ANSWER: Answer = { texts: [], parts: {}, pictures: [], entries: [] };

export interface FormStepModel {
  readonly key: string;
  readonly title: string;
  readonly help: string;
  readonly questions: readonly QuestionModel[];
}

export interface ConsentModel {
  readonly key: string;
  readonly words: string;
  readonly isRequired: boolean;
  readonly isGiven: boolean;
}

/** One answer in words. */
export interface SummaryLine {
  readonly label: string;
  readonly text: string;
  readonly pictures: readonly Picture[];
}

/** Something that is missing or not right; `field` is the name of its control. */
export interface FormFault {
  readonly field: string;
  readonly message: string;
}

/** What was answered so far, as the server keeps it. */
export interface AttemptModel {
  /** Names it, in a hidden field. */
  readonly token: string;
  readonly faults: readonly FormFault[];
  /** What would be sent; null as long as anything is missing. */
  readonly summary: readonly SummaryLine[] | null;
  /** What people without scripts are asked instead of a proof of work. */
  readonly sum: string;
}

/** A form with which visitors send in a listing. */
export interface FormModel {
  readonly type: 'form';
  /** Number of the form. */
  readonly id: number;
  /** Where it is sent to. */
  readonly action: string;
  /** The page on which it stands, to which its sender comes back. */
  readonly path: string;
  readonly steps: readonly FormStepModel[];
  readonly consents: readonly ConsentModel[];
  /** Whether name and e-mail address are asked for; those of what was sent before are known. */
  readonly asksSender: boolean;
  readonly needsEmail: boolean;
  readonly sender: { readonly name: string; readonly email: string };
  readonly button: string;
  /** The secret of what was sent before, which this changes; '' for something new. */
  readonly secret: string;
  readonly attempt: AttemptModel | null;
}
