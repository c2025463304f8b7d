import { issue, ok, refuse } from '../../values/index.js';
import type { FieldType } from './field-type.js';
import { CHOICE_CONTROLS, inputText, isEmptyInput } from './field-type.js';

/** A connection as it is told: the other listing and the note. */
export interface LinkInput {
  readonly id: number;
  readonly note: string;
}

/** A connection as it is shown: with what is known of the other listing. */
export interface LinkedListing extends LinkInput {
  readonly title: string;
  readonly slug: string;
  /** Where its page is; null when it has none that visitors may see. */
  readonly href: string | null;
  /** Whether visitors may see the other listing. */
  readonly onSite: boolean;
}

/** A change of a listing's connections: those it had when the editor began, and those it shall have. */
export interface LinkEdit {
  /** Null replaces all; else what others connected in the meantime stays. */
  readonly was: readonly number[] | null;
  readonly now: readonly LinkInput[];
}

export const LONGEST_NOTE = 200;
export const MOST_CONNECTIONS = 2000;

function asLinkInput(input: unknown): LinkInput | null {
  if (Number.isSafeInteger(input)) return { id: input as number, note: '' };
  if (typeof input !== 'object' || input === null) return null;
  const { id, note = '' } = input as Record<string, unknown>;
  if (!Number.isSafeInteger(id) || typeof note !== 'string' || note.length > LONGEST_NOTE) return null;
  return { id: id as number, note: note.trim() };
}

function isLinkedList(value: unknown): value is readonly LinkedListing[] {
  return Array.isArray(value) && value.every((entry) => asLinkInput(entry) !== null);
}

/**
 * One end of a link. What it reads are the listings at the other end; they are kept as connections, not among the
 * listing's values, so that both ends read the same.
 */
export const linkType: FieldType<readonly LinkedListing[]> = {
  label: 'link',
  icon: 'hub',
  control: 'link',
  settings: [],
  short: false,
  nests: false,
  checkSettings: ({ label, settings }) =>
    settings.link === undefined ? `${label} needs a link; make one under Shape.` : null,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    const list: unknown = Array.isArray(input) ? input : ((input as { now?: unknown }).now ?? null);
    const where = { field: field.key };
    const params = { label: field.label, found: inputText(input), wanted: 'a list of listings' };
    if (!Array.isArray(list)) return refuse(issue('value.not-rows', params, where));
    const entries = (list as readonly unknown[]).map(asLinkInput);
    if (entries.includes(null)) return refuse(issue('value.not-rows', params, where));
    const distinct = [...new Map(entries.map((entry) => [entry!.id, entry!])).values()];
    const greatest = field.settings.linked?.many === false ? 1 : MOST_CONNECTIONS;
    if (distinct.length > greatest) {
      return refuse(issue('value.too-many', { label: field.label, found: distinct.length, greatest }, where));
    }
    const shown = distinct.map((entry) => ({ ...entry, title: '', slug: '', href: null, onSite: false }));
    return ok(shown.length === 0 ? null : shown);
  },
  holds: isLinkedList,
  toText: (value) => value.map(({ title, id }) => title || String(id)).join('; '),
  format: (value, _field, formats) => formats.list(value.map(({ title }) => title)),
  column: { kind: 'choices', of: (value) => value.map(({ slug }) => slug) },
  facets: CHOICE_CONTROLS,
  // Visitors must not find out by searching that a listing is hidden somewhere.
  words: (value) =>
    value
      .filter(({ onSite }) => onSite)
      .map(({ title }) => title)
      .join(' '),
};

/** The change that an input asks for; a plain list replaces all. */
export function linkEditOf(input: unknown): LinkEdit {
  const isPlain = input === null || Array.isArray(input);
  const { was = null, now = [] } = isPlain ? { now: input ?? [] } : (input as { was?: unknown; now?: unknown });
  const entries = (Array.isArray(now) ? (now as readonly unknown[]) : [])
    .map(asLinkInput)
    .filter((entry) => entry !== null);
  const before = Array.isArray(was)
    ? (was as readonly unknown[]).filter((id): id is number => Number.isSafeInteger(id))
    : null;
  return { was: before, now: [...new Map(entries.map((entry) => [entry.id, entry])).values()] };
}
