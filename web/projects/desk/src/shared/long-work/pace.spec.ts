import type { LongPiece } from './long-work';
import { aboutHowLong, paceOf } from './pace';

const PIECE: LongPiece = {
  ...{ id: 1, title: 'Bringing in a file', unit: 'rows', done: 400, total: 1000, startedAt: 1000, endedAt: null },
  ...{ state: 'running', sentence: '', link: null, canCancel: true },
};

describe('The pace of long work', () => {
  it('is what was done in the time that it took, and what is left takes as long', () => {
    expect(paceOf(PIECE, 3000)).toEqual({ rate: 200, leftInMs: 3000 });
    expect(paceOf({ ...PIECE, total: null }, 3000)).toEqual({ rate: 200, leftInMs: null });
    expect(paceOf({ ...PIECE, done: 1000, endedAt: 6000 }, 99_000)).toEqual({ rate: 200, leftInMs: 0 });
  });

  it('is not told too early', () => {
    expect(paceOf(PIECE, 1500)).toBeNull();
    expect(paceOf({ ...PIECE, done: 0 }, 9000)).toBeNull();
  });

  it('is told in round words', () => {
    expect([800, 12_000, 61_000, 170_000].map(aboutHowLong)).toEqual([
      'a few seconds',
      'about 20 seconds',
      'about 70 seconds',
      'about 3 minutes',
    ]);
  });
});
