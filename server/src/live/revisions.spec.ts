import { Revisions } from './revisions.js';

const ALL = { kinds: null, listings: [] };
const NONE = { kinds: [], listings: [] };

describe('Revisions of what visitors see', () => {
  let now = 0;
  let revisions: Revisions;
  const change = (kind: number, ...listings: number[]): void => revisions.next({ kinds: [kind], listings });

  beforeEach(() => {
    now = Date.UTC(2026, 10, 28);
    revisions = new Revisions(() => new Date(now));
  });

  it('go up with every change', () => {
    change(1, 10);
    revisions.next(null);
    expect(revisions.current).toBe(2);
  });

  it('leave alone what was made of other kinds and other listings', () => {
    change(1, 10);
    const since = revisions.current;
    change(2, 20);
    const isSame = (kinds: number[], listings: number[]): boolean => revisions.isSame({ kinds, listings }, since);
    expect([isSame([1], []), isSame([2], []), isSame([1, 2], [])]).toEqual([true, false, false]);
    expect([isSame([], [10]), isSame([], [20]), isSame([], [10, 20])]).toEqual([true, false, false]);
    expect([revisions.isSame(NONE, since), revisions.isSame(ALL, since)]).toEqual([true, false]);
    expect(revisions.isSame({ kinds: [2], listings: [20] }, revisions.current)).toBeTrue();
  });

  it('leave nothing alone when more than listings has changed', () => {
    change(1, 10);
    const since = revisions.current;
    revisions.next(null);
    expect([revisions.isSame(NONE, since), revisions.isSame(ALL, revisions.current)]).toEqual([false, true]);
  });

  it('take a listing for changed when so many have changed since that it was forgotten', () => {
    change(1, 1);
    const since = revisions.current;
    revisions.next({ kinds: [2], listings: Array.from({ length: 30_000 }, (_, at) => 1000 + at) });
    const later = revisions.current;
    const isSame = (listing: number, at: number): boolean => revisions.isSame({ kinds: [], listings: [listing] }, at);
    expect([isSame(1001, since), isSame(1, since), isSame(1, later), isSame(30_999, since)]).toEqual([
      false,
      false,
      true,
      false,
    ]);
    change(2, 5);
    expect([isSame(5, later), isSame(6, later)]).toEqual([false, true]);
  });

  it('are young for a second after the next one has come', () => {
    change(1);
    expect(revisions.isYoung(0)).toBeTrue();
    now += 900;
    change(1);
    expect([revisions.isYoung(0), revisions.isYoung(1)]).toEqual([true, true]);
    now += 200;
    expect([revisions.isYoung(0), revisions.isYoung(1)]).toEqual([false, true]);
    now += 10_000;
    change(1);
    expect([revisions.isYoung(1), revisions.isYoung(2)]).toEqual([false, true]);
  });

  it('are not young when more than listings has changed since', () => {
    change(1);
    revisions.next(null);
    change(1);
    expect([0, 1, 2].map((revision) => revisions.isYoung(revision))).toEqual([false, false, true]);
  });
});
