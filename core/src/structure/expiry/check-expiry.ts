import type { Issue, Result } from '../../values/index.js';
import { issuesOf, ok, refuse } from '../../values/index.js';
import type { ReadContext } from '../field-types/read-context.js';
import type { Field } from '../fields/field.js';
import { isUnique } from '../fields/unique-value.js';
import { isEmail } from '../field-types/email.js';
import { momentOfText } from '../field-types/date-time.js';
import { columnOf, fieldType } from '../field-types/registry.js';
import type { Consequence, CountedFrom, Deed, ExpiryRule } from './expiry-rule.js';
import { MOST_ADDRESSES, MOST_CONSEQUENCES, MOST_DAYS } from './expiry-rule.js';

/** What of a kind its rule is checked against. */
interface Subject {
  readonly expiry: ExpiryRule | null;
  readonly fields: readonly Field[];
}

/** Types whose values a rule can't set: they have acts of their own, are worked out, or differ in each listing. */
const NOT_SET = ['link', 'categories', 'computed', 'reference'];

/** Whether it can be counted from a field when a listing leaves. */
export function isCountable(field: Field): boolean {
  const column = columnOf(field);
  return column?.kind === 'number' && column.time !== undefined;
}

/** Whether leaving can set a field. */
export function isSettable(field: Field): boolean {
  return !NOT_SET.includes(field.type) && !isUnique(field) && fieldType(field.type).control !== 'none';
}

/**
 * The rule with the values that it sets as their fields keep them, from what was typed; refused as those fields refuse a
 * value. A field that isn't there is left to {@link expiryFaults}.
 */
export function readExpiryRule({ expiry, fields }: Subject, context: ReadContext): Result<ExpiryRule | null> {
  const issues: Issue[] = [];
  const consequences = (expiry?.consequences ?? []).map((one): Consequence => {
    const { deed } = one;
    const field = deed.act === 'set-field' && fields.find(({ key }) => key === deed.field);
    if (deed.act !== 'set-field' || !field || !isSettable(field)) return one;
    const read = fieldType(field.type).read(deed.value, field, context);
    if (!read.ok) issues.push(...issuesOf(read).map((found) => ({ ...found, field: 'expiry' })));
    return read.ok ? { ...one, deed: { ...deed, value: read.value } } : one;
  });
  const [first, ...others] = issues;
  return first ? refuse(first, others) : ok(expiry && { ...expiry, consequences });
}

/** What is wrong with the expiry rule of a kind, as ends of a sentence; values that it sets are checked where they are read. */
export function expiryFaults({ expiry, fields }: Subject): string[] {
  if (!expiry) return [];
  const { countedFrom, offset, consequences } = expiry;
  const faults = countFaults(countedFrom, fields);
  if (!Number.isInteger(offset.amount) || Math.abs(offset.amount) > MOST_DAYS) {
    faults.push(`it can be moved by whole numbers up to ${MOST_DAYS}.`);
  }
  if (countedFrom.by === 'publishing' && offset.amount <= 0) {
    faults.push('a listing needs some time between being published and leaving.');
  }
  if (consequences.length > MOST_CONSEQUENCES) faults.push(`at most ${MOST_CONSEQUENCES} things can happen.`);
  const keys = consequences.map(({ key }) => key);
  if (new Set(keys).size < keys.length) faults.push('two consequences have the same key.');
  for (const consequence of consequences) faults.push(...consequenceFaults(consequence, fields));
  return [...faults, ...deletionFaults(consequences)];
}

function countFaults(from: CountedFrom, fields: readonly Field[]): string[] {
  if (from.by === 'moment') return Number.isNaN(momentOfText(from.at)) ? ['it needs a date and a time.'] : [];
  if (from.by === 'publishing') return [];
  const field = fields.find(({ key }) => key === from.field);
  if (!field) return [`it counts from the field “${from.field}”, which is not there.`];
  return isCountable(field) ? [] : [`${field.label} is no date.`];
}

function consequenceFaults({ days, deed }: Consequence, fields: readonly Field[]): string[] {
  const faults = deedFaults(deed, fields);
  if (!Number.isInteger(days) || Math.abs(days) > MOST_DAYS) {
    faults.push(`things happen at most ${MOST_DAYS} days before or after.`);
  }
  if (days < 0 && deed.act !== 'tell') faults.push('before a listing leaves, people can be told and nothing else.');
  return faults;
}

function deedFaults(deed: Deed, fields: readonly Field[]): string[] {
  if (deed.act === 'categorise') return categoryFaults(deed, fields);
  if (deed.act === 'set-field') {
    const field = fields.find(({ key }) => key === deed.field);
    if (!field) return [`it sets the field “${deed.field}”, which is not there.`];
    if (!isSettable(field)) return [`${field.label} cannot be set by a rule.`];
    if (deed.value === null) return field.required ? [`${field.label} is required, so it cannot be emptied.`] : [];
    return fieldType(field.type).holds(deed.value) ? [] : [`the value for ${field.label} is none that it can have.`];
  }
  return deed.act === 'tell' ? tellFaults(deed, fields) : [];
}

function categoryFaults(
  { field: key, add, remove, replaces }: Extract<Deed, { act: 'categorise' }>,
  fields: readonly Field[],
): string[] {
  const field = fields.find((one) => one.key === key);
  if (field?.type !== 'categories') return [`it changes the categories of “${key}”, which is not there.`];
  const known = field.settings.choices ?? [];
  const gone = [...add, ...remove].filter((one) => !known.some((choice) => choice.key === one));
  const faults = gone.map((one) => `${field.label} has no category “${one}”.`);
  if (add.length === 0 && remove.length === 0 && !replaces) faults.push(`it says nothing about ${field.label}.`);
  return faults;
}

function tellFaults({ to, fields: own }: Extract<Deed, { act: 'tell' }>, fields: readonly Field[]): string[] {
  const faults = to.filter((address) => !isEmail(address)).map((one) => `“${one}” is not an e-mail address.`);
  for (const key of own) {
    const field = fields.find((one) => one.key === key);
    if (field?.type !== 'email') faults.push(`it tells the address in “${field?.label ?? key}”, which holds none.`);
  }
  if (to.length + own.length === 0) faults.push('it says nobody who is to be told.');
  if (to.length > MOST_ADDRESSES) faults.push(`at most ${MOST_ADDRESSES} addresses can be told.`);
  return faults;
}

/** Nothing can happen to a listing that is gone. */
function deletionFaults(consequences: readonly Consequence[]): string[] {
  const deletedAfter = Math.min(...consequences.filter(({ deed }) => deed.act === 'delete').map(({ days }) => days));
  const isLate = ({ days, deed }: Consequence): boolean => deed.act !== 'delete' && days > deletedAfter;
  const last = consequences.findIndex(({ days, deed }) => deed.act === 'delete' && days === deletedAfter);
  const isBehind = consequences.slice(last + 1).some(({ days }) => last >= 0 && days === deletedAfter);
  return consequences.some(isLate) || isBehind
    ? ['something is to happen after the listing has been deleted. Move it before that.']
    : [];
}

/** What a rule tells people in the form of separate addresses: from a text with commas, semicolons or lines between them. */
export function addressesIn(text: string): {
  readonly addresses: readonly string[];
  readonly wrong: readonly string[];
} {
  const all = [...new Set(text.split(/[,;\s]+/).filter((part) => part !== ''))];
  return { addresses: all.filter(isEmail), wrong: all.filter((one) => !isEmail(one)) };
}
