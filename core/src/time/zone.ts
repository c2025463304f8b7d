import { IANAZone } from 'luxon';

const DAY_IN_MS = 86_400_000;
const HOUR_IN_MS = 3_600_000;
const MINUTE_IN_MS = 60_000;

/** Whether a text names a time zone of the IANA database, such as "Europe/Lisbon". */
export function isZone(name: string): boolean {
  return IANAZone.isValidZone(name);
}

/** How far a zone's clocks are ahead of UTC at a moment, in milliseconds. Throws a RangeError for an unknown zone. */
export function offsetInMs(momentInMs: number, zone: string): number {
  const offset = IANAZone.create(zone).offset(momentInMs);
  if (Number.isNaN(offset)) throw new RangeError(`There is no time zone “${zone}”.`);
  return offset * MINUTE_IN_MS;
}

/** What the clocks of a zone show at a moment, given as if they showed UTC. */
export function localInMs(momentInMs: number, zone: string): number {
  return momentInMs + offsetInMs(momentInMs, zone);
}

/**
 * The moment at which the clocks of a zone show `local` (given as if it were UTC). A time that exists twice is the
 * earlier of the two; one that is skipped is the moment as far after the change as it stands after it.
 */
export function momentOfLocal(local: number, zone: string): number {
  const before = local - offsetInMs(local - DAY_IN_MS, zone);
  const after = local - offsetInMs(local + DAY_IN_MS, zone);
  const fitting = [before, after].filter((moment) => localInMs(moment, zone) === local);
  return fitting.length > 0 ? Math.min(...fitting) : Math.max(before, after);
}

/** Days since 1970-01-01 of the calendar day that a zone has at a moment. */
export function dayNumberAt(momentInMs: number, zone: string): number {
  return Math.floor(localInMs(momentInMs, zone) / DAY_IN_MS);
}

/** The next moment after one at which it is an hour, 0 to 23, in a zone; all in milliseconds since 1970. */
export function nextAtHour(afterInMs: number, hour: number, zone: string): number {
  const today = dayNumberAt(afterInMs, zone);
  const at = (day: number): number => momentOfLocal(day * DAY_IN_MS + hour * HOUR_IN_MS, zone);
  return at(today) > afterInMs ? at(today) : at(today + 1);
}
