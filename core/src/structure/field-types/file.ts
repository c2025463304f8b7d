import { issue, normaliseLine, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { inputText, isEmptyInput } from './field-type.js';

/** A file kept by Plindo: the hash of its bytes, its name, its media type by content, and its size. */
export interface KeptFile {
  readonly hash: string;
  readonly name: string;
  readonly type: string;
  readonly bytes: number;
}

const LONGEST_NAME = 200;

/** Whether JSON from outside is a file; that it is really kept is checked where the store is known. */
export function asFile(input: unknown): KeptFile | null {
  if (typeof input !== 'object' || input === null) return null;
  const { hash, name, type, bytes } = input as Record<string, unknown>;
  if (typeof hash !== 'string' || !/^[0-9a-f]{32}$/.test(hash) || typeof name !== 'string') return null;
  if (typeof type !== 'string' || !/^[a-z]+\/[a-z0-9.+-]+$/.test(type)) return null;
  if (!Number.isSafeInteger(bytes) || (bytes as number) < 0 || normaliseLine(name) === '') return null;
  return { hash, name: normaliseLine(name).slice(0, LONGEST_NAME), type, bytes: bytes as number };
}

export const fileType: FieldType<KeptFile> = {
  label: 'file',
  icon: 'attach_file',
  control: 'file',
  settings: [],
  short: false,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    const file = asFile(input);
    const params = { label: field.label, found: inputText(input) };
    return file ? ok(file) : refuse(issue('value.not-a-file', params, { field: field.key }));
  },
  holds: (value): value is KeptFile => asFile(value) !== null,
  toText: ({ hash }) => hash,
  format: ({ name }) => name,
  column: null,
  facets: [],
  words: ({ name }) => name,
};
