import { Revisions } from './revisions.js';

describe('Revisions of what visitors see', () => {
  let now = 0;
  let revisions: Revisions;

  beforeEach(() => {
    now = Date.UTC(2026, 10, 28);
    revisions = new Revisions(() => new Date(now));
  });

  it('go up with every change', () => {
    revisions.next(true);
    revisions.next(false);
    expect(revisions.current).toBe(2);
  });

  it('are young for a second after the next one has come', () => {
    revisions.next(true);
    expect(revisions.isYoung(0)).toBeTrue();
    now += 900;
    revisions.next(true);
    expect([revisions.isYoung(0), revisions.isYoung(1)]).toEqual([true, true]);
    now += 200;
    expect([revisions.isYoung(0), revisions.isYoung(1)]).toEqual([false, true]);
    now += 10_000;
    revisions.next(true);
    expect([revisions.isYoung(1), revisions.isYoung(2)]).toEqual([false, true]);
  });

  it('are not young when more than listings has changed since', () => {
    revisions.next(true);
    revisions.next(false);
    revisions.next(true);
    expect([0, 1, 2].map((revision) => revisions.isYoung(revision))).toEqual([false, false, true]);
  });
});
