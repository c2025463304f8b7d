import type { Field } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { DateTime } from 'luxon';

/** What a control of moments asks for: a day, a time of day, or both. */
export type MomentControl = 'date' | 'time' | 'date-time';

/** What the values of a field are asked for by; null for a field of something else. */
export function momentControl({ type }: Pick<Field, 'type'>): MomentControl | null {
  const { control } = fieldType(type);
  return control === 'date' || control === 'time' || control === 'date-time' ? control : null;
}

/** The two halves of a moment as it is typed and kept: "2026-12-31T14:30", "2026-12-31" or "14:30". */
export interface MomentHalves {
  /** ISO 8601, or what was typed where that is no day; '' for none. */
  readonly day: string;
  /** "14:30", or what was typed where that is no time; '' for none. */
  readonly time: string;
}

export function halvesOf(text: string, control: MomentControl): MomentHalves {
  if (control === 'time') return { day: '', time: text };
  if (control === 'date') return { day: text, time: '' };
  const found = /^(\d{4}-\d\d-\d\d)(?:[T ](.*))?$/.exec(text);
  return found ? { day: found[1]!, time: (found[2] ?? '').slice(0, 5) } : { day: text, time: '' };
}

/** The halves as one text, which the field of a moment reads. */
export function momentText({ day, time }: MomentHalves, control: MomentControl): string {
  if (control !== 'date-time') return control === 'time' ? time : day;
  return [day, time].filter((half) => half !== '').join('T');
}

/** A half as the pickers have it; null for none, and for what is none. */
export function dateOf(text: string, format: 'yyyy-MM-dd' | 'HH:mm'): DateTime | null {
  const date = DateTime.fromFormat(text, format, { zone: 'utc' });
  return date.isValid ? date : null;
}
