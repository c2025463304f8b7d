import type { KeptForm, Question } from '../../design/index.js';
import { askedField, questionName, questionsOf } from '../../design/index.js';
import type { QueryScene } from '../../query/index.js';
import type { Field, Kind } from '../../structure/index.js';
import { fieldsOfCondition } from '../../structure/index.js';
import { readAnswers } from '../../submissions/index.js';
import type { PageScene } from '../frame.js';
import { answerModel } from './answer-model.js';
import type { FormModel, QuestionModel, QuestionOption } from './form-model.js';
import type { LinkChoices } from './question-control.js';
import { controlOf } from './question-control.js';
import type { SendingState } from './sending-state.js';

/** Of more listings than that, those that a link leads to are searched for. */
const MOST_OPTIONS = 60;

/** With what the model of a form is made. */
export interface FormScene {
  readonly page: PageScene;
  /** Null where a page is made of a listing alone. */
  readonly queries: QueryScene | null;
  /** The address of the page on which the form stands. */
  readonly path: string;
  /** What the visitor has answered so far; null for nothing. */
  readonly sending: SendingState | null;
}

/** The model of a form of visitors on a page. */
export function formModel({ id, definition: form }: KeptForm, kind: Kind, scene: FormScene): FormModel {
  const { page, sending, path } = scene;
  const { words } = page.context.formats;
  const own = sending?.formId === id ? sending : null;
  const questions = questionsOf(form);
  const askedAbout = new Set(
    [...questions, ...kind.fields].flatMap(({ showWhen }) => (showWhen ? fieldsOfCondition(showWhen) : [])),
  );
  const hidden = own?.hidden ?? readAnswers(form, kind, {}, page.context).hidden;
  const model = (question: Question): QuestionModel[] => {
    const field = askedField(kind, question.field);
    if (!field) return [];
    const isHidden = hidden.includes(field.key);
    return [
      {
        ...{ field: field.key, label: questionName(question, kind), help: question.help || field.help },
        ...{ isRequired: question.isRequired || field.required, isAskedAbout: askedAbout.has(field.key), isHidden },
        control: controlOf(field, page, linkChoices(field, own?.answers[field.key], scene)),
        answer: answerModel(field, own?.answers[field.key]),
      },
    ];
  };
  return {
    ...{ type: 'form', id, action: `/forms/${id}`, path },
    steps: form.steps.map((step) => ({ ...step, questions: step.questions.flatMap(model) })),
    consents: form.consents.map((one) => ({ ...one, isGiven: own?.consents.includes(one.key) ?? false })),
    ...{ asksSender: (own?.secret ?? '') === '', needsEmail: form.needsEmail },
    sender: own?.sender ?? { name: '', email: '' },
    button: form.button || words.say('form.send'),
    secret: own?.secret ?? '',
    attempt: own && own.token !== '' ? attemptOf(own) : null,
  };
}

function attemptOf({ token, faults, summary, sum }: SendingState): FormModel['attempt'] {
  return { token, faults, summary, sum };
}

/** The listings on the site that a link can lead to, and those that are answered; none for any other field. */
function linkChoices({ settings: { linked } }: Field, answer: unknown, { queries }: FormScene): LinkChoices {
  const catalog = linked && queries?.catalogOf(linked.kindId);
  if (!catalog || !queries) return { options: null, chosen: [] };
  const option = (id: number): QuestionOption => ({ value: String(id), label: catalog.titleOf(id), depth: 0 });
  const onSite = catalog.onSiteAt(queries.context.nowInMs);
  const answered = Array.isArray(answer) ? (answer as readonly unknown[]).map(Number) : [];
  const chosen = answered.filter((id) => catalog.isOnSite(id, queries.context.nowInMs)).map(option);
  const size = onSite.count();
  if (size > MOST_OPTIONS) return { options: null, chosen };
  const compare = queries.context.formats.compareTexts;
  const options = [...onSite.toRows(size)].map((row) => option(catalog.ids[row]!));
  return { options: options.sort((a, b) => compare(a.label, b.label)), chosen };
}
