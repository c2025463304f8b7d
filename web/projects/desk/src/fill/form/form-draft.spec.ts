import { makeListing } from '../../../../../../core/testing/builders';
import { draftOf, mergedDraft } from './form-draft';

describe('Work on a listing that somebody else has changed meanwhile', () => {
  const state = (title: string, values: object): ReturnType<typeof draftOf> =>
    draftOf(makeListing({ id: 1, title, values: { ...values } }));
  const base = state('Quay', { price: 40, note: 'By the crane', beds: 4 });

  it('keeps what was typed, takes in what others changed, and names what both did', () => {
    const mine = { ...base, values: { ...base.values, note: 'By the slip', beds: 6 } };
    const now = state('Old quay', { price: 45, note: 'By the ferry', beds: 6 });
    const { draft, clashes } = mergedDraft(mine, base, now);
    expect(draft.title).toBe('Old quay');
    expect(draft.values).toEqual({ price: 45, note: 'By the slip', beds: 6 });
    expect(clashes).toEqual(['note']);
  });

  it('is all theirs where nothing was typed', () => {
    const now = state('Old quay', { beds: 5 });
    expect(mergedDraft(base, base, now)).toEqual({ draft: now, clashes: [] });
  });
});
