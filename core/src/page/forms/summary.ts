import type { FormDesign } from '../../design/index.js';
import { askedField, questionName, questionsOf } from '../../design/index.js';
import type { Kind, Picture, ReadContext } from '../../structure/index.js';
import { asPicture } from '../../structure/index.js';
import type { SentValues } from '../../submissions/index.js';
import { sentText } from '../../submissions/index.js';
import type { SummaryLine } from './form-model.js';

/** What was answered, in words, in the order of the questions; what is empty is left out. `titleOf` names linked listings. */
export function summaryOf(
  form: FormDesign,
  kind: Kind,
  values: SentValues,
  context: ReadContext,
  titleOf: (id: number) => string,
): SummaryLine[] {
  return questionsOf(form).flatMap((question) => {
    const field = askedField(kind, question.field);
    if (!field) return [];
    const value = values[field.key];
    const pictures = picturesIn(value);
    const text = pictures.length > 0 ? '' : sentText(field, value, context, titleOf);
    return text === '' && pictures.length === 0 ? [] : [{ label: questionName(question, kind), text, pictures }];
  });
}

/** The pictures that a value is made of; none for any other value. */
export function picturesIn(value: unknown): Picture[] {
  const all = Array.isArray(value) ? (value as readonly unknown[]) : [value];
  return all.map(asPicture).filter((one): one is Picture => one !== null);
}
