import { dateFromDayNumber, dayNumberOfDate } from '@plindo/core/structure';
import { periodOf, stateOf } from './learn-state';

const TODAY = dayNumberOfDate('2026-11-30')!;
const stateIn = (parts: Record<string, string>): ReturnType<typeof stateOf> => stateOf((name) => parts[name] ?? null);
const days = (parts: Record<string, string>): string => {
  const period = periodOf(stateIn(parts), TODAY);
  return period ? `${dateFromDayNumber(period.from)} ${dateFromDayNumber(period.to)}` : '';
};

describe('The time that Learn tells of', () => {
  it('is the last thirty days beside the time before, unless the address says otherwise', () => {
    expect(stateIn({})).toEqual({ span: 'month', from: '', to: '', against: 'before', kind: null, listing: null });
    const nonsense = { span: 'ever', against: 'never', kind: 'all', listing: '0' };
    expect(stateIn(nonsense)).toEqual(stateIn({}));
    expect(days({})).toBe('2026-11-01 2026-11-30');
  });

  it('is found by what day it is', () => {
    expect(days({ span: 'week' })).toBe('2026-11-24 2026-11-30');
    expect(days({ span: 'this-month' })).toBe('2026-11-01 2026-11-30');
    expect(days({ span: 'last-month' })).toBe('2026-10-01 2026-10-31');
    expect(days({ span: 'year' })).toBe('2025-11-01 2026-10-31');
  });

  it('are the days that somebody types, once they are typed', () => {
    expect(days({ span: 'own', from: '2026-02-01', to: '2026-02-28' })).toBe('2026-02-01 2026-02-28');
    expect(days({ span: 'own', from: '2026-02-01', to: '' })).toBe('');
    expect(days({ span: 'own', from: '2026-03-01', to: '2026-02-01' })).toBe('');
  });
});
