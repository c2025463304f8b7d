import { localInMs, momentOfLocal } from '../../time/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import { boundsIssue, checkBounds, relativeDay } from './bounds.js';
import { dayIn, dayNumberOfDate, isDayBound, isOnlyDay } from './date.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, withAffixes, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';
import type { ReadContext } from './read-context.js';
import { minutesOfTime } from './time-of-day.js';
import type { Field } from '../fields/field.js';

const DAY_IN_MS = 86_400_000;
const MINUTE_IN_MS = 60_000;
const WITH_OFFSET = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?\s*(?:Z|[+-]\d{2}:?\d{2})$/i;
const DAY_AND_TIME = /^(.*\d)[T ,]\s*(\d{1,2}[:.h]\d{2}(?::\d{2}(?:\.\d+)?)?\s*(?:[ap]\.?m\.?)?)$/i;

/** "2026-12-04T18:00Z" of a moment, to the minute: how moments are kept. */
export function textOfMoment(momentInMs: number): string {
  return `${new Date(momentInMs).toISOString().slice(0, 16)}Z`;
}

/** The moment that a kept text stands for; NaN when it is none. */
export function momentOfText(text: string): number {
  return WITH_OFFSET.test(text) ? Date.parse(text.replace(' ', 'T')) : NaN;
}

/** The moment of a text: with an offset from UTC as it says, else by the clocks of the context's zone. */
function readMoment(text: string, field: Field, context: ReadContext): number | null {
  const trimmed = text.trim();
  if (WITH_OFFSET.test(trimmed)) {
    const moment = momentOfText(trimmed);
    return Number.isNaN(moment) ? null : Math.floor(moment / MINUTE_IN_MS) * MINUTE_IN_MS;
  }
  const match = DAY_AND_TIME.exec(trimmed);
  if (!match) return null;
  const days = dayIn(match[1] ?? '', field, context);
  const minutes = minutesOfTime((match[2] ?? '').replace(/\.\d{3,}$/, ''));
  if (days === null || minutes === null) return null;
  return momentOfLocal(days * DAY_IN_MS + minutes * MINUTE_IN_MS, context.zone);
}

/** The moment at which the day of a bound begins in the context's zone. */
function momentOfBound(bound: number | string, context: ReadContext): number | null {
  if (typeof bound === 'number') return null;
  const days = dayNumberOfDate(bound) ?? relativeDay(bound, context);
  return days === null ? null : momentOfLocal(days * DAY_IN_MS, context.zone);
}

export const dateTimeType: FieldType<string> = {
  label: 'date and time',
  icon: 'calendar_clock',
  control: 'date-time',
  settings: ['dateOrder', 'least', 'greatest', 'before', 'after'],
  short: true,
  checkSettings: (field) => checkBounds(field, isDayBound, 'a date, or as “today + 30 days”'),
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string') return wrongType(field, 'a date and a time');
    const moment = readMoment(input, field, context);
    const params = { label: field.label, found: input };
    if (moment === null) return refuse(issue('value.not-a-moment', params, { field: field.key }));
    const readBound = (bound: number | string): number | null => momentOfBound(bound, context);
    const outside = boundsIssue(moment, field, readBound, (bound) => context.formats.moment(bound));
    return outside ? refuse(outside) : ok(textOfMoment(moment));
  },
  holds: (value): value is string => isText(value) && !Number.isNaN(momentOfText(value)),
  toText: (value) => value,
  toInput(value, _field, { zone }) {
    return new Date(localInMs(momentOfText(value), zone)).toISOString().slice(0, 16);
  },
  format: (value, field, formats) => withAffixes(formats.moment(momentOfText(value)), field),
  column: {
    kind: 'number',
    time: 'moments',
    of: momentOfText,
    boundFromText(text) {
      const moment = momentOfText(text);
      if (!Number.isNaN(moment)) return moment;
      const days = dayNumberOfDate(text);
      return days === null ? null : days * DAY_IN_MS;
    },
    boundToText: (bound) => textOfMoment(bound),
    formatBound: (bound, _field, formats) => formats.moment(bound),
  },
  facets: ['dates', 'range'],
  propose(sample) {
    const field = { settings: {} } as Field;
    // Programs write days with midnight, too.
    if ([...sample.tally.keys()].every(isOnlyDay)) return null;
    const fitting = countFitting(sample, (value) => {
      return (WITH_OFFSET.test(value) || DAY_AND_TIME.test(value)) && readMoment(value, field, sample.context) !== null;
    });
    return proposeIfEnough(sample, fitting, 0.97, { plural: 'dates with a time' });
  },
};
