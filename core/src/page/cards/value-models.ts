import type { Field, KeptFile, LinkedListing, Picture } from '../../structure/index.js';
import { fieldType, starsOf } from '../../structure/index.js';
import type { Formats } from '../../values/index.js';
import type { RowsModel, SlotModel, ValueModel } from './value-model.js';

/** The path of a kept file; its name is for people, the hash finds it. */
export function filePath({ hash, name }: Pick<KeptFile, 'hash' | 'name'>): string {
  return `/files/${hash}/${encodeURIComponent(name)}`;
}

/** One value with its label, in the shape that its type is shown in. */
export function slotOf(field: Field, value: unknown, formats: Formats): SlotModel {
  const { key, label } = field;
  return { key, label, icon: fieldType(field.type).icon, ...valueModel(field, value, formats) };
}

/** The address of a value that is one: of a web address, an e-mail address, a telephone or a file; undefined for others. */
export function hrefOf({ type }: Pick<Field, 'type'>, value: unknown): string | undefined {
  switch (type) {
    case 'web-address':
      return String(value);
    case 'email':
      return `mailto:${String(value)}`;
    case 'phone':
      return `tel:${String(value).replace(/[^+\d]/g, '')}`;
    case 'file':
      return filePath(value as KeptFile);
    default:
      return undefined;
  }
}

/** One value in the shape that its type is shown in; `text` is how it is written, where not as its field writes it. */
export function valueModel(
  field: Field,
  value: unknown,
  formats: Formats,
  text = fieldType(field.type).format(value, field, formats),
): ValueModel {
  switch (field.type) {
    case 'web-address':
    case 'email':
    case 'phone':
      return { text, shape: 'link', href: hrefOf(field, value)! };
    case 'file':
      return { text, shape: 'file', href: hrefOf(field, value)! };
    case 'picture':
      return { text, shape: 'pictures', pictures: [value as Picture] };
    case 'pictures':
      return { text, shape: 'pictures', pictures: value as readonly Picture[] };
    case 'long-text':
      return { text, shape: 'long-text' };
    case 'rich-text':
      return { text, shape: 'rich-text', html: String(value) };
    case 'place':
      return { text, shape: 'place' };
    case 'colour':
      return { text, shape: 'colour', colour: String(value) };
    case 'link':
      return { text, shape: 'links', links: linksOf(value as readonly LinkedListing[]) };
    case 'rating':
      return { text, shape: 'rating', stars: { given: Number(value), of: starsOf(field) } };
    case 'group':
      return { text, shape: 'group', parts: partSlots(field, value, formats)[0] ?? [] };
    case 'rows':
      return { text, shape: 'rows', rows: rowsModel(field, value, formats) };
    default:
      return { text, shape: 'text' };
  }
}

function linksOf(linked: readonly LinkedListing[]): NonNullable<ValueModel['links']> {
  return linked.map(({ title, href, note }) => ({ text: title, href, note }));
}

function partSlots(field: Field, value: unknown, formats: Formats): SlotModel[][] {
  const entries = fieldType(field.type).parts?.(value, field) ?? [];
  return entries.map((parts) => parts.map((part) => slotOf(part.field, part.value, formats)));
}

/** Rows as a table of words: the subfields in which anything stands are its columns, but for pictures. */
export function rowsModel(field: Field, value: unknown, formats: Formats): RowsModel {
  const rows = partSlots(field, value, formats);
  const used = (field.settings.fields ?? []).filter(
    ({ key, type }) =>
      type !== 'picture' && type !== 'pictures' && rows.some((row) => row.some((slot) => slot.key === key)),
  );
  return {
    columns: used.map(({ key, label }) => ({ key, label })),
    rows: rows.map((row) => used.map(({ key }) => row.find((slot) => slot.key === key)?.text ?? '')),
  };
}
