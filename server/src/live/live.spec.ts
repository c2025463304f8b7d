import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { BLANK_CONTENT } from '@plindo/core/listings';
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

  it('read no text again after a restart that was read before it, and one that has changed anew', async () => {
    for (let at = 0; at < 1000; at += 100) {
      await api.assembly.services.live.change({ userId: null, sentence: 'Filled' }, (unit) =>
        unit.insertListings(
          kindId,
          Array.from({ length: 100 }, (_, more) => ({
            ...BLANK_CONTENT,
            slug: `s-${at + more}`,
            title: `Mooring ${at + more}`,
          })),
        ),
      );
    }
    await live.settle();
    await live.change({ userId: null, sentence: 'Renamed' }, async (unit) => {
      const before = (await unit.listing(1))!;
      return unit.updateListing(before, { ...before, title: 'Lantern' });
    });
    await api.leave();
    const file = join(api.folder, 'texts', `kind-${kindId}.texts`);
    api = await TestApi.start(api.folder);
    const { text } = api.assembly.services.live.catalog(kindId)!;
    // Those that had not been settled when they were kept, and the one that has changed.
    expect(text.documentsRead).toBeLessThan(1030);
    const found = await api.assembly.services.pages.page('/berths', 'q=lantern');
    expect(found.type === 'index' && found.total).toBe(1);
    await api.leave();
    writeFileSync(file, readFileSync(file).fill(7, 40, 60));
    api = await TestApi.start(api.folder);
    const damaged = await api.assembly.services.pages.page('/berths', 'q=lantern');
    expect(damaged.type === 'index' && damaged.total).toBe(1);
    expect(api.assembly.services.live.catalog(kindId)!.text.documentsRead).toBe(1030);
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
