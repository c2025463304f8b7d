import type { Explanation } from '@plindo/core/query';
import { makeSelection } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { Shown } from '../../../../../harness/shown';
import { WhyPanel } from './why-panel';

const PAUSE_IN_MS = 250;

describe('The panel that says why a listing isn’t in a selection', () => {
  const selection = makeSelection({ slug: 'x', name: 'X', kinds: [1] });
  let server: DeskServer;
  let shown: Shown<WhyPanel>;

  beforeEach(async () => {
    server = new DeskServer();
    shown = await Shown.of(WhyPanel, { selection });
  });

  async function type(text: string): Promise<void> {
    const field = shown.all<HTMLInputElement>('input[type=search]')[0]!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
  }
  async function ask(explanation: Explanation): Promise<void> {
    await type('quay');
    const listings = [{ id: 4, kindId: 1, title: 'Quay 4', status: 'live' }];
    await server.answer('GET', '/api/find', { total: 1, listings });
    await shown.settled();
    await shown.press('Quay 4');
    expect(await server.answer('POST', '/api/selections/explain', explanation)).toEqual([{ selection, listing: 4 }]);
    await shown.settled();
  }

  it('tells every reason, with the place of each condition', async () => {
    const reason = {
      about: 'condition',
      place: '1.2',
      found: '12',
      wanted: '10',
      sentence: 'Price is 12, not 10.',
    } as const;
    const status = { ...reason, about: 'status', place: '', sentence: 'It is hidden.' } as const;
    await ask({ reasons: [status, reason], position: null, page: null });
    expect(shown.texts('.answer p')).toEqual(['Quay 4 is not here:']);
    expect(shown.texts('.answer li')).toEqual(['It is hidden.', 'Condition 1.2: Price is 12, not 10.']);
    expect(shown.all<HTMLAnchorElement>('.answer a')[0]!.getAttribute('href')).toBe('/desk/fill/1/4');
  });

  it('tells where a listing stands that is in it', async () => {
    await ask({ reasons: [], position: 7, page: 2 });
    expect(shown.texts('.answer p')).toEqual(['Quay 4 is here: number 7, on page 2.']);
  });

  it('shows which listings fail one condition alone, or that none does', async () => {
    await shown.press('Show the listings that just miss');
    await server.answer('POST', '/api/selections/missing', [
      { at: 0, total: 0, listings: [] },
      { at: 1, total: 3, listings: ['Quay', 'Buoy'].map((title, at) => ({ id: at + 8, kindId: 1, title })) },
    ]);
    await shown.settled();
    expect(shown.texts('p')).toEqual(['3 fail condition 2 alone: Quay; Buoy …']);
    expect(shown.all('p a').map((link) => link.getAttribute('href'))).toEqual(['/fill/1/8', '/fill/1/9']);
    await shown.press('Show the listings that just miss');
    await server.answer('POST', '/api/selections/missing', [{ at: 0, total: 0, listings: [] }]);
    await shown.settled();
    expect(shown.texts('p')).toEqual(['No listing fails just one condition.']);
  });

  it('lets an answer go that comes after something else was typed', async () => {
    await type('qu');
    const [early] = server.waiting('GET', '/api/find');
    await type('buoy');
    expect(early!.cancelled).toBeTrue();
    await server.answer('GET', '/api/find', {
      total: 1,
      listings: [{ id: 5, kindId: 1, title: 'Buoy 5', status: 'live' }],
    });
    await shown.settled();
    expect(shown.texts('.found button')).toEqual(['Buoy 5']);
    await type('  ');
    await shown.settled();
    expect(shown.texts('.found button')).toEqual([]);
  });
});
