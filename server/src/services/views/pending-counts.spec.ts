import { PendingCounts } from './pending-counts.js';

const search = (detail: string) => ({ what: 'search', about: 'kind:1', detail }) as const;

describe('Counts that wait to be written', () => {
  it('add up by day, and come back when they could not be written', () => {
    const pending = new PendingCounts();
    pending.addView(7, { id: 3, kindId: 1 });
    pending.addThing(7, search('crane'));
    const counted = pending.take();
    expect(pending.isEmpty).toBeTrue();
    pending.addView(7, { id: 3, kindId: 1 });
    pending.addThing(8, search('crane'));
    pending.putBack(counted);
    const { views, times } = pending.take();
    expect(views).toEqual([{ day: 7, kindId: 1, listingId: 3, views: 2 }]);
    expect(times.map(({ day, times: count }) => [day, count])).toEqual([
      [8, 1],
      [7, 1],
    ]);
  });

  it('take only so many words a day that anybody can make up, and all that the publisher has made', () => {
    const pending = new PendingCounts();
    const taken = Array.from({ length: 3000 }, (_, at) => pending.nameOf(7, search(`word ${at}`))).filter(Boolean);
    expect(taken).toHaveSize(2000);
    expect(new Set(taken)).toHaveSize(2000);
    expect(pending.nameOf(7, search('word 1'))).toBe(taken[1]!);
    expect(pending.nameOf(7, search('another'))).toBeNull();
    expect(pending.nameOf(7, { what: 'page', about: '/berths', detail: '' })).not.toBeNull();
    expect(pending.nameOf(8, search('another'))).not.toBeNull();
  });
});
