import { askedSubfields } from '../../design/index.js';
import type { Entry, Field, Picture, ReadContext } from '../../structure/index.js';
import { asPicture, entriesIn, fieldType, hasSubfields, isEmptyInput } from '../../structure/index.js';
import type { Answer } from './form-model.js';
import { NO_ANSWER } from './form-model.js';

/** What was typed or chosen for a field, as the controls of a form have it. */
export function answerModel(field: Field, given: unknown): Answer {
  if (isEmptyInput(given)) return NO_ANSWER;
  if (hasSubfields(field)) return { ...NO_ANSWER, entries: entriesIn(given).map(inside(field, answerModel)) };
  const picture = asPicture(given);
  if (picture) return { ...NO_ANSWER, pictures: [picture] };
  if (Array.isArray(given)) {
    const all = given as readonly unknown[];
    const pictures = all.map(asPicture).filter((one): one is Picture => one !== null);
    return pictures.length > 0 ? { ...NO_ANSWER, pictures } : { ...NO_ANSWER, texts: all.map(String) };
  }
  if (typeof given !== 'object' || given === null) return { ...NO_ANSWER, texts: [String(given)] };
  if ('hash' in given) return { ...NO_ANSWER, parts: { kept: JSON.stringify(given), name: String(nameIn(given)) } };
  const parts = Object.entries(given as Readonly<Record<string, unknown>>).map(([name, part]) => [name, typed(part)]);
  return { ...NO_ANSWER, parts: Object.fromEntries(parts) as Record<string, string> };
}

/** Turns the values of an entry into something else, by the keys of the fields that are asked for inside a field. */
function inside<T>(field: Field, turn: (sub: Field, value: unknown) => T): (entry: Entry) => Record<string, T> {
  return (entry) => Object.fromEntries(askedSubfields(field).map((sub) => [sub.key, turn(sub, entry[sub.key])]));
}

function nameIn(file: object): unknown {
  return 'name' in file ? file.name : '';
}

function typed(part: unknown): string {
  return typeof part === 'string' || typeof part === 'number' ? String(part) : '';
}

/** A value that a listing has, or that was sent, as somebody would answer it again. */
export function answerOfValue(field: Field, value: unknown, context: ReadContext): unknown {
  if (value === null || value === undefined) return '';
  switch (fieldType(field.type).control) {
    case 'picture':
    case 'pictures':
    case 'file':
    case 'place':
    case 'several-choices':
    case 'categories':
    case 'link':
      return value;
    case 'group':
    case 'rows': {
      const again = entriesIn(value).map(inside(field, (sub, part) => answerOfValue(sub, part, context)));
      return field.type === 'rows' ? again : (again[0] ?? '');
    }
    case 'yes-no':
      return value === true ? 'yes' : 'no';
    case 'date-time':
      return inputOf(field, value, context).replace(' ', 'T');
    case 'range':
      return endsOf(field, value, context);
    default:
      return inputOf(field, value, context);
  }
}

function inputOf(field: Field, value: unknown, context: ReadContext): string {
  const type = fieldType(field.type);
  if (!type.holds(value)) return '';
  return type.toInput?.(value, field, context) ?? type.toText(value, field);
}

function endsOf(field: Field, value: unknown, context: ReadContext): { readonly from: string; readonly to: string } {
  const [from = '', to = ''] = inputOf(field, value, context).split('..');
  return { from, to };
}
