import type { ChangeSummary } from '@plindo/core/contract';
import { logGroups } from './log-groups';

const change = (id: number, sentence: string, minute = id, who = 'Anna', undone = false): ChangeSummary => ({
  ...{ id, sentence, who, undone },
  at: new Date(Date.UTC(2026, 0, 1, 12, minute)).toISOString(),
});
const told = (changes: readonly ChangeSummary[]): string[] =>
  logGroups([...changes].reverse()).map(({ sentence }) => sentence);

describe('The log of changes', () => {
  it('tells many of one sort in one line, and few one by one', () => {
    const added = ['Petrel', 'Curlew', 'Tern', 'Gull', 'Skua'].map((title, at) => change(at, `Added ${title}`));
    expect(told(added)).toEqual(['Added Skua, Gull, Tern and 2 more']);
    expect(told(added.slice(0, 3))).toEqual(['Added Tern', 'Added Curlew', 'Added Petrel']);
  });

  it('parts what somebody else did, what was done after a pause, what is undone, and what is of another sort', () => {
    const five = Array.from({ length: 5 }, (_, at) => change(at, `Added ${at}`));
    const others = [
      change(6, 'Added 6', 30),
      change(7, 'Added 7', 30, 'Ben'),
      change(8, 'Changed 8', 31, 'Ben'),
      change(9, 'Changed 9', 31, 'Ben', true),
    ];
    expect(told([...five, ...others])).toEqual([
      'Changed 9',
      'Changed 8',
      'Added 7',
      'Added 6',
      'Added 4, 3, 2 and 2 more',
    ]);
  });
});
