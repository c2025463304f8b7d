import { dateOf, halvesOf, momentText } from './moment-text';

describe('A moment as it is typed', () => {
  it('has two halves, which are one text again', () => {
    for (const text of ['2026-12-31T14:30', '2026-12-31', '', 'next week']) {
      expect(momentText(halvesOf(text, 'date-time'), 'date-time')).toBe(text);
    }
    expect(halvesOf('2026-12-31T14:30', 'date-time')).toEqual({ day: '2026-12-31', time: '14:30' });
    expect(halvesOf('2026-12-31T14:30:00Z', 'date-time').time).toBe('14:30');
    expect(halvesOf('14:30', 'time')).toEqual({ day: '', time: '14:30' });
    expect(momentText({ day: '2026-12-31', time: '' }, 'date')).toBe('2026-12-31');
  });

  it('is a date for the pickers where it is one', () => {
    expect(dateOf('2026-02-28', 'yyyy-MM-dd')?.toISODate()).toBe('2026-02-28');
    expect(dateOf('2026-02-30', 'yyyy-MM-dd')).toBeNull();
    expect(dateOf('soon', 'HH:mm')).toBeNull();
  });
});
