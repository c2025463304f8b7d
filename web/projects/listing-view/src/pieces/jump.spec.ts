import { Shown } from '../../../../harness/shown';
import { JumpPiece } from './jump';

describe('The dates that a list can be opened at', () => {
  it('lead to their groups, of which those that are on the page are marked', async () => {
    const jumps = ['1', '2'].map((key) => ({
      ...{ key, label: `Month ${key}`, count: 3, href: `/courses#group-${key}`, isHere: key === '2' },
    }));
    const shown = await Shown.of(JumpPiece, { piece: { type: 'jump', key: 'j', jumps } });
    expect(shown.texts('nav a')).toEqual(['Month 1 3', 'Month 2 3']);
    expect(shown.texts('nav .here')).toEqual(['Month 2 3']);
  });
});
