import type { Consequence, Deed, ExpiryRule, Field, KindDefinition } from '../../structure/index.js';
import { choiceLabel, fieldByKey, fieldType, momentOfText } from '../../structure/index.js';
import { localInMs } from '../../time/index.js';
import type { Formats } from '../../values/index.js';

type NamedKind = Pick<KindDefinition, 'fields' | 'many'>;

const DAY_IN_MS = 86_400_000;

/** A moment as people say it: "on Friday, 4 December 2026 at 18:00", "at the end of Thursday, 3 December 2026". */
export function momentWords(momentInMs: number, formats: Formats): string {
  const local = localInMs(momentInMs, formats.zone);
  const isMidnight = local % DAY_IN_MS === 0;
  return isMidnight ? `at the end of ${formats.weekday(local - 1)}` : `on ${formats.exactly(momentInMs)}`;
}

/** What a rule does, as an order: "hide it", "add Past courses to Topics". */
export function deedWords(deed: Deed, kind: NamedKind, formats: Formats): string {
  switch (deed.act) {
    case 'set-status':
      return { hidden: 'hide it', draft: 'make it a draft again', binned: 'put it into the bin' }[deed.status];
    case 'delete':
      return 'delete it for good';
    case 'feature':
      return deed.featured ? 'feature it' : 'feature it no longer';
    case 'categorise':
      return categoryWords(deed, kind, formats);
    case 'set-field':
      return fieldWords(deed, kind, formats);
    case 'tell':
      return `tell ${toldWords(deed, kind, formats)}`;
  }
}

/** What a rule did to so many listings, for the log: "hid 14 Courses". */
export function didWords(
  { deed, days }: Pick<Consequence, 'deed' | 'days'>,
  what: string,
  kind: NamedKind,
  formats: Formats,
): string {
  switch (deed.act) {
    case 'set-status':
      if (deed.status === 'hidden') return `hid ${what}`;
      return deed.status === 'draft' ? `made drafts of ${what}` : `put ${what} into the bin`;
    case 'delete':
      return `deleted ${what} for good`;
    case 'feature':
      return deed.featured ? `featured ${what}` : `featured ${what} no longer`;
    case 'categorise':
      return `changed ${labelOf(deed.field, kind)} of ${what} (${categoryWords(deed, kind, formats)})`;
    case 'set-field':
      return `changed ${labelOf(deed.field, kind)} of ${what}`;
    case 'tell':
      return `told ${toldWords(deed, kind, formats)} that ${what} ${days < 0 ? 'will leave' : 'left'}`;
  }
}

/** When a consequence happens: "7 days before it leaves", "at once", "30 days after it has left". */
export function daysWords({ days }: Pick<Consequence, 'days'>): string {
  if (days === 0) return 'at once';
  const many = Math.abs(days) === 1 ? '1 day' : `${Math.abs(days)} days`;
  return days < 0 ? `${many} before it leaves` : `${many} after it has left`;
}

/** When listings leave by a rule: "3 weeks after the end of the day in Starts". */
export function countedWords({ countedFrom: from, offset }: ExpiryRule, kind: NamedKind, formats: Formats): string {
  const { amount, unit } = offset;
  const span = `${Math.abs(amount)} ${unit}${Math.abs(amount) === 1 ? '' : 's'}`;
  const moved = amount === 0 ? '' : `${span} ${amount < 0 ? 'before' : 'after'} `;
  if (from.by === 'publishing') return `${span} after it was published`;
  if (from.by === 'moment') {
    const moment = momentOfText(from.at);
    const words = Number.isNaN(moment) ? 'at a moment still to be said' : momentWords(moment, formats);
    return moved === '' ? words : `${moved}${words.replace(/^(on|at) /, '')}`;
  }
  const field = fieldByKey(kind, from.field);
  const end = field?.type === 'range' ? (from.rangeEnd === 'from' ? 'the start of ' : 'the end of ') : '';
  const day = field && hasDays(field) ? `the ${from.dayEdge} of the day in ` : '';
  const place = `${day}${end}${field?.label ?? from.field}`;
  return moved === '' ? `at ${place}` : `${moved}${place}`;
}

/** Whether the values of a field are days without a time. */
export function hasDays(field: Field): boolean {
  return field.type === 'date' || (field.type === 'range' && field.settings.ends === 'date');
}

function categoryWords(
  { field: key, add, remove, replaces }: Extract<Deed, { act: 'categorise' }>,
  kind: NamedKind,
  formats: Formats,
): string {
  const field = fieldByKey(kind, key);
  const names = (keys: readonly string[]): string =>
    formats.list(keys.map((one) => (field && choiceLabel(one, field)) ?? one));
  const label = field?.label ?? key;
  if (replaces) return add.length > 0 ? `put it into ${names(add)} alone, in ${label}` : `empty ${label}`;
  const parts = [
    ...(add.length > 0 ? [`add ${names(add)} to ${label}`] : []),
    ...(remove.length > 0 ? [`take ${names(remove)} from ${label}`] : []),
  ];
  return parts.join(' and ');
}

function fieldWords(
  { field: key, value }: Extract<Deed, { act: 'set-field' }>,
  kind: NamedKind,
  formats: Formats,
): string {
  const field = fieldByKey(kind, key);
  if (value === null) return `empty ${field?.label ?? key}`;
  const type = field && fieldType(field.type);
  const words = field && type?.holds(value) ? type.format(value, field, formats) : JSON.stringify(value);
  return `set ${field?.label ?? key} to ${words}`;
}

function toldWords({ to, fields }: Extract<Deed, { act: 'tell' }>, kind: NamedKind, formats: Formats): string {
  const own = fields.map((key) => `whoever stands in ${labelOf(key, kind)}`);
  return formats.list([...to, ...own]) || 'nobody yet';
}

function labelOf(key: string, kind: NamedKind): string {
  return fieldByKey(kind, key)?.label ?? key;
}
