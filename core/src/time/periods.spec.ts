import { DateTime } from 'luxon';
import { PERIOD_UNITS, PeriodFinder, firstWeekday, isoWeekOf, nextPeriod, periodKey, periodStart } from './periods.js';

const day = (text: string): number => Date.parse(`${text}T00:00Z`) / 86_400_000;

describe('ISO weeks', () => {
  it('are those of the table of ISO 8601 around the turns of years', () => {
    // The usual table of examples for ISO 8601:2004, 2.2.10 and 3.2.2; written down from memory.
    const table: readonly (readonly [string, number, number])[] = [
      ['2005-01-01', 2004, 53],
      ['2005-01-02', 2004, 53],
      ['2005-12-31', 2005, 52],
      ['2006-01-01', 2005, 52],
      ['2006-01-02', 2006, 1],
      ['2007-01-01', 2007, 1],
      ['2007-12-31', 2008, 1],
      ['2008-12-28', 2008, 52],
      ['2008-12-29', 2009, 1],
      ['2009-12-31', 2009, 53],
      ['2010-01-03', 2009, 53],
      ['2010-01-04', 2010, 1],
    ];
    for (const [date, year, week] of table)
      expect(isoWeekOf(day(date)))
        .withContext(date)
        .toEqual({ year, week });
  });

  it('are those of luxon all through a whole cycle of the calendar, 400 years', () => {
    for (let at = day('1900-01-01'); at < day('2300-01-01'); at += 29) {
      const date = DateTime.fromMillis(at * 86_400_000, { zone: 'UTC' });
      const { year, week } = isoWeekOf(at);
      if (year !== date.weekYear || week !== date.weekNumber) fail(`${date.toISODate()} is ${year}-W${week}`);
    }
    expect(isoWeekOf(day('2300-01-01')).year).toBe(2300);
  });
});

describe('Periods', () => {
  it('begin and follow one another as luxon has them', () => {
    for (const unit of PERIOD_UNITS) {
      for (let at = day('2023-12-25'); at < day('2028-03-05'); at += 11) {
        const date = DateTime.fromMillis(at * 86_400_000, { zone: 'UTC' });
        const plain = unit === 'iso-week' ? 'week' : unit;
        const start = unit === 'week' ? null : date.startOf(plain).toMillis() / 86_400_000;
        if (start !== null) expect(periodStart(at, unit)).toBe(start);
        const own = periodStart(at, unit, 7);
        expect(own).toBeLessThanOrEqual(at);
        expect(nextPeriod(own, unit)).toBeGreaterThan(at);
        expect(periodStart(nextPeriod(own, unit), unit, 7)).toBe(nextPeriod(own, unit));
      }
    }
  });

  it('have names that stand in addresses', () => {
    const keys = PERIOD_UNITS.map((unit) => periodKey(periodStart(day('2026-12-04'), unit), unit));
    expect(keys).toEqual(['2026-12-04', '2026-W49', '2026-11-30', '2026-12', '2026-Q4', '2026']);
  });

  it('hold moments by the clocks of the zone', () => {
    // 23:30 UTC on 30 November is December in Berlin and still November in Lisbon.
    const moment = Date.UTC(2026, 10, 30, 23, 30);
    const month = (zone: string): string =>
      periodKey(new PeriodFinder('month', 'moments', { zone, locale: 'en' }).periodOf(moment), 'month');
    expect([month('Europe/Lisbon'), month('Europe/Berlin')]).toEqual(['2026-11', '2026-12']);
  });

  it('begin their weeks where the locale has them begin, by CLDR', () => {
    // Unicode CLDR, supplemental/weekData: Sunday in the US, Monday in Germany, Saturday in Egypt.
    expect(['en-US', 'de-DE', 'ar-EG'].map(firstWeekday)).toEqual([7, 1, 6]);
  });
});
