import { comparedWith, firstDayByDay, stretchOf, stretchesOf } from './index.js';

const day = (text: string): number => Date.parse(`${text}T00:00Z`) / 86_400_000;
const dates = (days: readonly number[]): string[] =>
  days.map((one) => new Date(one * 86_400_000).toISOString().slice(0, 10));
const span = (from: string, to: string): { from: number; to: number } => ({ from: day(from), to: day(to) });
const told = ({ from, to }: { from: number; to: number }): string => dates([from, to]).join(' ');

describe('A period', () => {
  it('is compared with as many days right before it', () => {
    expect(told(comparedWith(span('2026-11-24', '2026-11-30'), 'before'))).toBe('2026-11-17 2026-11-23');
    // A month that happens to be thirty days is compared with thirty days.
    expect(told(comparedWith(span('2026-11-01', '2026-11-30'), 'before'))).toBe('2026-10-02 2026-10-31');
  });

  it('of many whole months is compared with as many whole months', () => {
    expect(told(comparedWith(span('2025-11-01', '2026-10-31'), 'before'))).toBe('2024-11-01 2025-10-31');
  });

  it('is compared with the same days a year before, in leap years too', () => {
    expect(told(comparedWith(span('2026-11-24', '2026-11-30'), 'year'))).toBe('2025-11-24 2025-11-30');
    expect(told(comparedWith(span('2028-02-29', '2028-03-01'), 'year'))).toBe('2027-02-28 2027-03-01');
    expect(told(comparedWith(span('2028-02-01', '2028-02-29'), 'year'))).toBe('2027-02-01 2027-02-28');
  });

  it('is told by days, weeks or months, as many as can be seen', () => {
    expect(stretchOf(span('2026-11-01', '2026-11-30'))).toBe('day');
    expect(stretchOf(span('2026-07-01', '2026-11-30'))).toBe('week');
    expect(stretchOf(span('2025-12-01', '2026-11-30'))).toBe('month');
  });

  it('begins and ends with what lies in it of a week', () => {
    // 2026-11-04 is a Wednesday; weeks begin on Monday in Britain, on Sunday in the United States (CLDR).
    const november = span('2026-11-04', '2026-11-18');
    expect(dates(stretchesOf(november, 'week', 'en-GB'))).toEqual(['2026-11-04', '2026-11-09', '2026-11-16']);
    expect(dates(stretchesOf(november, 'week', 'en-US'))).toEqual(['2026-11-04', '2026-11-08', '2026-11-15']);
  });

  it('is kept by day for a year, from the first of a month on', () => {
    expect(dates([firstDayByDay(day('2026-11-30'))])).toEqual(['2025-11-01']);
  });
});
