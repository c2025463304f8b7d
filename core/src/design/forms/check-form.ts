import type { Kind } from '../../structure/index.js';
import { nameIssues } from '../check-name.js';
import type { DesignScene } from '../slots/check-slot.js';
import { asksOfLinked } from '../slots/check-slot.js';
import { conditionFaults } from '../../listings/index.js';
import type { Issue } from '../../values/index.js';
import { issue } from '../../values/index.js';
import { askableFields, askedField } from './askable.js';
import type { FormDesign, Question } from './form-design.js';

/** Everything that is wrong with a form for listings of a kind, each with its place. Told as `design.questions`. */
export function checkForm(form: FormDesign, kind: Kind, scene: DesignScene): Issue[] {
  const issues = nameIssues(form);
  const asked = new Set<string>();
  form.steps.forEach(({ questions, title }, at) => {
    const place = `steps.${at + 1}`;
    const name = title || `Step ${at + 1}`;
    if (questions.length === 0) issues.push(wrong(name, 'it asks nothing. Add a question, or remove the step.', place));
    questions.forEach((question, below) => {
      const own = `${place}.questions.${below + 1}`;
      issues.push(...questionIssues(question, kind, scene, own));
      if (asked.has(question.field)) {
        issues.push(wrong(questionName(question, kind), 'it is asked twice. Remove one of the two questions.', own));
      }
      asked.add(question.field);
    });
  });
  form.consents.forEach(({ words }, at) => {
    if (words.trim() === '') issues.push(wrong('Consent', 'it needs words.', `consents.${at + 1}`));
  });
  for (const { key, label } of neededFields(kind)) {
    if (asked.has(key)) continue;
    issues.push(wrong(label, 'every listing needs it, and no question asks for it.', 'steps'));
  }
  return issues;
}

/** The fields without which no listing of the kind can be, as far as a form can ask for them. */
function neededFields(kind: Kind): { readonly key: string; readonly label: string }[] {
  return askableFields(kind).filter(({ key, required, showWhen }) => key === '@title' || (required && !showWhen));
}

function questionIssues(question: Question, kind: Kind, scene: DesignScene, place: string): Issue[] {
  const { field, showWhen } = question;
  const name = questionName(question, kind);
  if (!askedField(kind, field)) return [wrong(name, 'its field is not there, or visitors cannot fill it.', place)];
  if (!showWhen) return [];
  if (asksOfLinked(showWhen)) {
    return [wrong(name, 'it depends on linked listings, which a form cannot look into.', place)];
  }
  return conditionFaults({ kinds: [kind.id], where: showWhen }, scene).map((fault) =>
    wrong(name, `condition ${fault.place}: ${fault.reason}`, place),
  );
}

/** What a question is called: its label, else that of its field. */
export function questionName({ label, field }: Pick<Question, 'label' | 'field'>, kind: Kind): string {
  return label || (askedField(kind, field)?.label ?? field);
}

function wrong(place: string, reason: string, field: string): Issue {
  return issue('design.questions', { place, reason }, { field });
}
