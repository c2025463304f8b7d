import { askedField, askedSubfields, questionsOf } from '@plindo/core/design';
import type { FormDesign } from '@plindo/core/design';
import type { Field, Kind } from '@plindo/core/structure';
import { MOST_ROWS, asPicture, fieldType } from '@plindo/core/structure';
import { isEmptyAnswer } from '@plindo/core/submissions';
import { hasNul, normaliseLine, Refusal } from '@plindo/core/values';
import type { SentForm } from '../services/submissions/attempts.js';

/** The parts of a form as they came: each name with all its values. */
export type FormParts = ReadonlyMap<string, readonly string[]>;

/** What a form of the browser sends, by name; of several parts with one name all values. Refused by `value.nul`. */
export function partsOf(body: unknown): FormParts {
  const entries = Object.entries((body ?? {}) as Record<string, unknown>);
  if (hasNul(entries)) throw Refusal.of('value.nul', { label: 'The form' });
  return new Map(entries.map(([name, value]) => [name, (Array.isArray(value) ? value : [value]).map(String)]));
}

export function partOf(parts: FormParts, name: string): string {
  return parts.get(name)?.[0] ?? '';
}

/** Who sends a form, as they say. */
export function senderIn(parts: FormParts): { readonly name: string; readonly email: string } {
  const email = partOf(parts, 'sender.email').trim().toLowerCase();
  return { name: normaliseLine(partOf(parts, 'sender.name')), email };
}

/** What was answered in a form, from its parts; `pictures` are those that came with it, by the key of their field. */
export function sentFormOf(
  formId: number,
  { form, kind }: { readonly form: FormDesign; readonly kind: Kind },
  parts: FormParts,
  kept: ReadonlyMap<string, readonly unknown[]>,
): SentForm {
  const fields = questionsOf(form).flatMap(({ field }) => askedField(kind, field) ?? []);
  const answers = Object.fromEntries(
    fields.map((field) => [field.key, answerOf(field, parts, kept.get(field.key) ?? [])]),
  );
  const links = fields.filter(({ type }) => type === 'link');
  const named = Object.fromEntries(
    links.map(({ key }) => [
      key,
      partOf(parts, `${key}.named`)
        .split('\n')
        .map(normaliseLine)
        .filter((name) => name !== ''),
    ]),
  );
  return {
    ...{ formId, answers, named, trap: partOf(parts, 'fax'), secret: partOf(parts, 'secret') },
    sender: senderIn(parts),
    consents: form.consents.map(({ key }) => key).filter((key) => parts.has(`consent.${key}`)),
  };
}

/** `key` begins the names of its parts: the key of the field, or that of the group or the rows before it. */
function answerOf(field: Field, parts: FormParts, came: readonly unknown[], key = field.key): unknown {
  const all = parts.get(key) ?? [];
  switch (fieldType(field.type).control) {
    case 'several-choices':
    case 'categories':
    case 'link':
      return all.filter((one) => one !== '');
    case 'range':
      return { from: partOf(parts, `${key}.from`), to: partOf(parts, `${key}.to`) };
    case 'group':
      return entryOf(field, parts, key);
    case 'rows':
      return rowsIn(key, parts).map((at) => entryOf(field, parts, `${key}.${at}`));
    case 'place': {
      const [latitude, longitude, address] = ['latitude', 'longitude', 'address'].map((name) =>
        partOf(parts, `${key}.${name}`),
      );
      return { latitude, longitude, address };
    }
    case 'picture':
      return picturesOf(key, parts, came).at(-1) ?? null;
    case 'pictures':
      return picturesOf(key, parts, came);
    case 'file':
      return came[0] ?? parsedPart(partOf(parts, key));
    case 'rich-text':
    case 'area':
      return partOf(parts, key).replace(/\r\n?/g, '\n');
    default:
      return all.at(-1) ?? '';
  }
}

/** What was answered inside a group or a row, by the keys of the fields in it; of what is left empty nothing. */
function entryOf(field: Field, parts: FormParts, name: string): Record<string, unknown> {
  const answered = askedSubfields(field).map(
    (sub) => [sub.key, answerOf(sub, parts, [], `${name}.${sub.key}`)] as const,
  );
  return Object.fromEntries(answered.filter(([, answer]) => !isEmptyAnswer(answer)));
}

/** The numbers of the rows that came, in their order; at most one more than any field can have, so that it is refused. */
function rowsIn(key: string, parts: FormParts): number[] {
  const begins = `${key}.`;
  const numbers = [...parts.keys()]
    .filter((name) => name.startsWith(begins))
    .map((name) => /^\d{1,4}(?=\.)/.exec(name.slice(begins.length))?.[0]);
  const rows = new Set(numbers.filter((at) => at !== undefined).map(Number));
  return [...rows].sort((one, other) => one - other).slice(0, MOST_ROWS + 1);
}

/** Pictures that were sent before, each with the words that stand beside it now, and those that came with the form. */
function picturesOf(key: string, parts: FormParts, came: readonly unknown[]): unknown[] {
  const words = parts.get(`${key}.words`) ?? [];
  const removed = new Set(parts.get(`${key}.remove`) ?? []);
  const before = (parts.get(key) ?? []).flatMap((text, at) => {
    const picture = asPicture(parsedPart(text));
    return picture && !removed.has(picture.hash) ? [{ ...picture, alt: words[at] ?? picture.alt }] : [];
  });
  return [...before, ...came];
}

function parsedPart(text: string): unknown {
  try {
    return text === '' ? null : JSON.parse(text);
  } catch {
    return null;
  }
}
