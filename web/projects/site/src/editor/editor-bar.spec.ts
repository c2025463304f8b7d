import type { Explanation } from '@plindo/core/query';
import { FetchedServer } from '../../../../harness/fetched';
import { makeIndexPage } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { EditorBar } from './editor-bar';

const PAUSE_IN_MS = 250;
const IN: Explanation = { reasons: [], position: 3, page: 1 };

describe('The bar that editors get beside public pages', () => {
  let server: FetchedServer;
  let shown: Shown<EditorBar>;

  beforeEach(async () => {
    server = new FetchedServer();
    spyOn(window, 'fetch').and.callFake(server.fetch);
    shown = await Shown.of(EditorBar, { model: makeIndexPage(), url: '/berths?type=quay' });
    await shown.press('Why isn’t it here?');
  });

  async function ask(): Promise<void> {
    const field = shown.all<HTMLInputElement>('input')[0]!;
    field.value = 'quay';
    field.dispatchEvent(new Event('input'));
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    await server.answer('/api/find', {
      total: 1,
      listings: [{ id: 4, kindId: 1, title: 'Quay 4', status: 'live' }],
    });
    await shown.settled();
    await shown.press('Quay 4');
  }

  it('asks about the page in the state that it is in', async () => {
    await ask();
    const asked = await server.answer('/api/page/explain', IN);
    expect(asked.get('url')).toBe('/berths?type=quay');
    await shown.settled();
    expect(shown.texts('[role=status]')).toEqual(['Quay 4 is here: number 3, on page 1.']);
  });

  it('leads to the designer of the page, all of it or the part that is pointed at', async () => {
    await shown.press('Change this page');
    const design = { id: 7, serves: 'index', kindId: 1, selection: 0, listingId: null, category: null };
    await server.answer('/api/page/design', design);
    await shown.settled();
    const links = (): (string | null)[] => shown.all('.row a').map((link) => link.getAttribute('href'));
    expect(links()).toContain('/desk/arrange/pages/7?');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await shown.settled();
    expect(links()).not.toContain('/desk/arrange/pages/7?');
    await shown.press('Change this page');
    await server.answer('/api/page/design', { ...design, id: null, listingId: 4 });
    await shown.settled();
    expect(links()).toContain('/desk/arrange/pages/new?serves=index&kind=1&listing=4');
  });

  it('lets an answer go when the page is in another state', async () => {
    await ask();
    await server.answer('/api/page/explain', IN);
    await shown.set({ url: '/berths' });
    expect(shown.texts('[role=status]')).toEqual(['']);
  });

  it('tells what of the choices keeps others out, with the page without it', async () => {
    await shown.press('Show the listings that just miss');
    const missed = {
      label: 'Type: quay',
      href: '/berths',
      total: 2,
      listings: [{ id: 9, kindId: 1, title: 'Buoy 9' }],
    };
    await server.answer('/api/page/missed', [missed, { ...missed, label: 'Nobody', total: 0 }]);
    await shown.settled();
    expect(shown.texts('.panel p')).toEqual(['Without Type: quay, 2 more: Buoy 9 …']);
    expect(shown.all('.panel p a').map((link) => link.getAttribute('href'))).toEqual(['/berths', '/desk/fill/1/9']);
  });

  it('says when there was no answer, which the next one replaces', async () => {
    await ask();
    await server.answer('/api/page/explain', { code: 'access.signed-out', message: 'Sign in.' }, 401);
    await shown.settled();
    expect(shown.texts('[role=status]')[0]).toContain('sign in to the Desk');
    await ask();
    await server.answer('/api/page/explain', IN);
    await shown.settled();
    expect(shown.texts('[role=status]')).toEqual(['Quay 4 is here: number 3, on page 1.']);
  });

  it('has nothing to ask on a page that is no list', async () => {
    await shown.set({ model: { ...makeIndexPage(), type: 'not-found' } });
    expect(shown.texts('button')).toEqual([]);
  });

  it('on the page of a listing leads to its form, and says which page it is and why', async () => {
    const listing = { id: 4, kindId: 1, title: 'Quay' };
    const model = { ...makeIndexPage(), serves: 'listing', listing, areas: [], strips: [] };
    await shown.set({ model, url: '/berths/quay' });
    expect(shown.texts('a')).toEqual(['Open the Desk', 'Change this listing']);
    await shown.press('Which page is this?');
    const when = { join: 'all', of: [{ field: 'price', op: 'above', value: '50' }] };
    await server.answer('/api/listings/4/page', { id: 7, name: 'Dear berths', when });
    await shown.settled();
    expect(shown.texts('[role=status]')).toEqual(['“Dear berths”, because all that it asks for holds (1).']);
  });
});
