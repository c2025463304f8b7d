import { askedField, questionsOf } from '@plindo/core/design';
import type { FormDesign } from '@plindo/core/design';
import type { Field, Kind } from '@plindo/core/structure';
import { asPicture, fieldType } from '@plindo/core/structure';
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

function answerOf(field: Field, parts: FormParts, came: readonly unknown[]): unknown {
  const { key } = field;
  const all = parts.get(key) ?? [];
  switch (fieldType(field.type).control) {
    case 'several-choices':
    case 'categories':
    case 'link':
      return all.filter((one) => one !== '');
    case 'range':
      return { from: partOf(parts, `${key}.from`), to: partOf(parts, `${key}.to`) };
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
