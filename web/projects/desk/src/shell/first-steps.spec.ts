import { kindSummary } from '../../../../harness/models';
import { firstSteps } from './first-steps';

describe('The first steps', () => {
  const next = (kinds: Parameters<typeof firstSteps>[0]): string | undefined =>
    firstSteps(kinds).find(({ isDone }) => !isDone)?.stage;
  const berths = kindSummary({ published: false });

  it('begin with what is listed, go on with listings, and end with a page that is live', () => {
    expect(firstSteps(null)).toEqual([]);
    expect(next([])).toBe('shape');
    const empty = { ...berths, counts: { ...berths.counts, live: 0, draft: 0, hidden: 0, binned: 0 } };
    expect(next([empty])).toBe('fill');
    expect(next([{ ...empty, counts: { ...empty.counts, draft: 3 } }])).toBe('arrange');
    const published = { ...berths, kind: { ...berths.kind, published: true }, counts: { ...berths.counts, live: 3 } };
    expect(firstSteps([published])).toEqual([]);
  });
});
