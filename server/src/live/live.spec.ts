import type { PageModel } from '@plindo/core/page';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import type { Live } from './live.js';

describe('The catalogs in memory', () => {
  let api: TestApi;
  let live: Live;
  let kindId: number;

  beforeEach(async () => {
    api = await TestApi.start();
    ({ live } = api.assembly.services);
    kindId = (await api.assembly.services.kinds.add(null, BERTHS)).result.id;
    for (let at = 0; at < 30; at++) await add(`Berth ${at}`);
  });
  afterEach(() => api.stop());

  const add = (title: string): Promise<unknown> =>
    api.assembly.services.listings.add(null, kindId, { title, status: 'live', values: { price: '5' } });
  const page = (path: string, search = ''): Promise<PageModel> => api.assembly.services.pages.page(path, search);

  it('show at once what was added while they are being built anew', async () => {
    const saved = api.assembly.services.site.save(null, { ...live.site(), locale: 'sv' });
    await Promise.all([saved, add('Late'), add('Later')]);
    await saved;
    const found = await page('/berths', 'q=late');
    expect(found.type === 'index' && found.total).toBe(2);
  });

  it('are the same after a restart', async () => {
    const before = await page('/berths', 'price=..5&page=2');
    await api.leave();
    api = await TestApi.start(api.folder);
    const after = await api.assembly.services.pages.page('/berths', 'price=..5&page=2');
    expect({ ...after, now: '' }).toEqual({ ...before, now: '' });
  });

  it('change their revision with every change, so that kept pages are let go', async () => {
    const { revision } = live;
    await add('One more');
    expect(live.revision).toBeGreaterThan(revision);
  });

  it('answer addresses that lead nowhere', async () => {
    for (const path of ['/nowhere', '/berths/nowhere', '/berths/berth-1/more', '/berths/%E0%A4%A', '//']) {
      expect((await page(path)).type)
        .withContext(path)
        .toBe('not-found');
    }
    expect((await page('/')).type).toBe('home');
  });
});
