import { DateTime } from 'luxon';
import { isZone, localInMs, momentOfLocal } from './zone.js';
import { movedDay } from './calendar.js';

const utc = (text: string): number => Date.parse(`${text}Z`);
const momentIn = (zone: string, local: string): string => new Date(momentOfLocal(utc(local), zone)).toISOString();

describe('A local time', () => {
  // Directive 2000/84/EC: summer time begins at 01:00 UTC on the last Sunday in March, ends at 01:00 UTC on the last in October.
  it('that a change of clocks skips is the later valid moment', () => {
    expect(momentIn('Europe/Lisbon', '2026-03-29T01:30')).toBe('2026-03-29T01:30:00.000Z');
    expect(localInMs(utc('2026-03-29T01:30'), 'Europe/Lisbon')).toBe(utc('2026-03-29T02:30'));
    expect(momentIn('Europe/Berlin', '2026-03-29T02:15')).toBe('2026-03-29T01:15:00.000Z');
  });

  it('that exists twice is the earlier of the two', () => {
    expect(momentIn('Europe/Lisbon', '2026-10-25T01:30')).toBe('2026-10-25T00:30:00.000Z');
    expect(momentIn('Europe/Berlin', '2026-10-25T02:30')).toBe('2026-10-25T00:30:00.000Z');
  });

  it('is where luxon has it, on any other hour of the year', () => {
    for (const zone of ['America/New_York', 'Asia/Kathmandu', 'Pacific/Apia', 'UTC']) {
      for (let hour = 5; hour < 8760; hour += 97) {
        const local = utc('2026-01-01T00:00') + hour * 3_600_000;
        const there = DateTime.fromMillis(local, { zone: 'UTC' }).setZone(zone, { keepLocalTime: true });
        if (there.toFormat('HH') === DateTime.fromMillis(local, { zone: 'UTC' }).toFormat('HH')) {
          expect(momentOfLocal(local, zone)).toBe(there.toMillis());
        }
      }
    }
  });

  it('needs a zone that exists', () => {
    expect(isZone('Europe/Lisbon')).toBeTrue();
    expect(isZone('Merrow/Sound')).toBeFalse();
    expect(() => momentOfLocal(0, 'Merrow/Sound')).toThrowError(RangeError);
  });
});

describe('A calendar day', () => {
  const day = (text: string): number => utc(text) / 86_400_000;

  it('moves by months and years to the same day of the month, or the last one that there is', () => {
    expect(movedDay(day('2026-01-31'), 1, 'month')).toBe(day('2026-02-28'));
    expect(movedDay(day('2024-02-29'), 1, 'year')).toBe(day('2025-02-28'));
    expect(movedDay(day('2026-03-31'), -1, 'month')).toBe(day('2026-02-28'));
    expect(movedDay(day('2026-12-15'), 2, 'week')).toBe(day('2026-12-29'));
  });
});
