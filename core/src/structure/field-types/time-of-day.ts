import { issue, ok, refuse, wordsOf } from '../../values/index.js';
import { boundsIssue, checkBounds } from './bounds.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, isText, withAffixes, wrongType } from './field-type.js';
import { countFitting, proposeIfEnough } from './proposal.js';

const CLOCK = /^(\d{1,2})(?:[:.h](\d{2})(?::\d{2})?)?\s*([ap])?\.?m?\.?$/i;

const DOTTED = /^\d{1,2}\.\d{2}$/;
/** Words of headers of columns with times of day. */
const TIME_WORDS: ReadonlySet<string> = new Set([
  ...[
    'time',
    'hour',
    'hours',
    'opens',
    'closes',
    'starts',
    'ends',
    'zeit',
    'uhrzeit',
    'uhr',
    'heure',
    'heures',
    'hora',
  ],
  ...['horas', 'ora', 'orario', 'tijd', 'godzina', 'tid', 'klockslag'],
]);

/** Minutes since midnight of "18:00", "18.00", "18h30" or "6:30 pm"; null when it isn't a time of day. */
export function minutesOfTime(text: string): number | null {
  const match = CLOCK.exec(text.trim());
  if (!match) return null;
  const [, hourText = '', minuteText, half] = match;
  if (minuteText === undefined && half === undefined) return null;
  const hour = Number(hourText);
  const minute = Number(minuteText ?? 0);
  if (minute > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return null;
  const isAfternoon = half?.toLowerCase() === 'p';
  return (half ? (hour % 12) + (isAfternoon ? 12 : 0) : hour) * 60 + minute;
}

/** "18:00" of minutes since midnight. */
export function timeOfMinutes(minutes: number): string {
  return [Math.floor(minutes / 60), minutes % 60].map((part) => String(part).padStart(2, '0')).join(':');
}

const asMinutes = (bound: number | string): number | null => (typeof bound === 'string' ? minutesOfTime(bound) : null);

export const timeOfDayType: FieldType<string> = {
  label: 'time of day',
  icon: 'schedule',
  control: 'time',
  settings: ['least', 'greatest', 'before', 'after'],
  short: true,
  checkSettings: (field) => checkBounds(field, (bound) => asMinutes(bound) !== null, 'a time such as 18:00'),
  read(input, field, context) {
    if (isEmptyInput(input)) return ok(null);
    if (typeof input !== 'string') return wrongType(field, 'a time of day');
    const minutes = minutesOfTime(input);
    const params = { label: field.label, found: input };
    if (minutes === null) return refuse(issue('value.not-a-time', params, { field: field.key }));
    const outside = boundsIssue(minutes, field, asMinutes, (bound) => context.formats.time(bound));
    return outside ? refuse(outside) : ok(timeOfMinutes(minutes));
  },
  holds: (value): value is string => isText(value) && minutesOfTime(value) !== null,
  toText: (value) => value,
  format: (value, field, formats) => withAffixes(formats.time(minutesOfTime(value) ?? 0), field),
  column: {
    kind: 'number',
    of: (value) => minutesOfTime(value) ?? NaN,
    boundFromText: (text) => minutesOfTime(text),
    boundToText: (bound) => timeOfMinutes(bound),
    formatBound: (bound, _field, formats) => formats.time(bound),
  },
  facets: [],
  propose(sample) {
    const isCalled = wordsOf(sample.header).some((word) => TIME_WORDS.has(word));
    // 18.30 can be a price as well, unless the header tells.
    const fitting = countFitting(sample, (value) => minutesOfTime(value) !== null && (isCalled || !DOTTED.test(value)));
    return proposeIfEnough(sample, fitting, 0.94, { plural: 'times of day' });
  },
};
