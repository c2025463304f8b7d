import { TestBed } from '@angular/core/testing';
import { LongWork } from './long-work';

describe('Long work', () => {
  let work: LongWork;
  beforeEach(() => (work = TestBed.inject(LongWork)));

  const PLAN = { title: 'Counting', unit: 'rows', total: 10, canCancel: true };

  it('is shown while it runs, and what came of it afterwards', async () => {
    const end = await work.run(PLAN, (report) => {
      report.progress(4);
      expect(work.running()).toEqual([jasmine.objectContaining({ title: 'Counting', done: 4, total: 10 })]);
      return Promise.resolve({ sentence: 'Counted.', link: '/fill/1', rows: 10 });
    });
    expect(end.rows).toBe(10);
    expect(work.running()).toEqual([]);
    expect(work.pieces()[0]).toEqual(
      jasmine.objectContaining({ state: 'done', sentence: 'Counted.', link: '/fill/1' }),
    );
    work.forgetEnded();
    expect(work.pieces()).toEqual([]);
  });

  it('hears that it was cancelled', async () => {
    await work.run(PLAN, (report) => {
      work.cancel(work.running()[0]!.id);
      expect(report.isCancelled()).toBeTrue();
      return Promise.resolve({ sentence: 'Cancelled.' });
    });
    expect(work.pieces()[0]!.state).toBe('cancelled');
  });

  it('passes on what it fails with, and says it', async () => {
    await expectAsync(work.run(PLAN, () => Promise.reject(new Error('no')))).toBeRejected();
    expect(work.pieces()[0]!.state).toBe('failed');
    expect(work.pieces()[0]!.sentence).not.toBe('');
  });
});
