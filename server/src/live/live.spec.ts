import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Catalog } from '@plindo/core/catalog';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import type { Unit } from '../store/index.js';
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
  const change = async (work: (unit: Unit) => Promise<unknown>): Promise<void> => {
    const done = await api.assembly.store.change(null, async (unit) => ({
      sentence: 'Tried',
      result: await work(unit),
    }));
    await live.caughtUp(done.number!);
  };
  const page = (path: string, search = ''): Promise<PageModel> => api.assembly.services.pages.page(`${path}?${search}`);

  it('show at once what was added while they are being built anew', async () => {
    const saved = api.assembly.services.site.save(null, { ...live.site(), locale: 'sv' });
    await Promise.all([saved, add('Late'), add('Later')]);
    await saved;
    const found = await page('/berths', 'q=late');
    expect(listOnPage(found).total).toBe(2);
  });

  it('are the same after a restart', async () => {
    const before = await page('/berths', 'price=..5&page=2');
    await api.leave();
    api = await TestApi.start(api.folder);
    const after = await api.assembly.services.pages.page('/berths?price=..5&page=2');
    expect({ ...after, now: '' }).toEqual({ ...before, now: '' });
  });

  describe('that were kept', () => {
    const restart = async (): Promise<Catalog> => {
      await api.leave();
      api = await TestApi.start(api.folder);
      ({ live } = api.assembly.services);
      return live.catalog(kindId)!;
    };
    const found = async (word: string): Promise<number> => listOnPage(await page('/berths', `q=${word}`)).total;

    beforeEach(async () => {
      const moorings = Array.from({ length: 1000 }, (_, at) => {
        return { ...BLANK_CONTENT, slug: `s-${at}`, title: `Mooring ${at}`, status: 'live' } as const;
      });
      await change((unit) => unit.insertListings(kindId, moorings));
      await live.settle();
    });

    it('are taken up at a start with what has changed since, and only that is read', async () => {
      await change(async (unit) => {
        const before = (await unit.listing(1))!;
        await unit.updateListing(before, { ...before, title: 'Lantern' });
        await unit.remove('listing', 2, await unit.listing(2));
      });
      await add('Lately');
      const before = live.catalog(kindId)!;
      const catalog = await restart();
      // One given up, one read anew, one that is new.
      expect(catalog.taken).toBe(3);
      expect(live.countsOf(kindId)).toEqual({ ...live.countsOf(kindId), live: 1030 });
      expect([catalog.titleOf(1), catalog.rowOf(2), catalog.idOfAddress('s-7')]).toEqual(['Lantern', undefined, 38]);
      expect([await found('lantern'), await found('lately'), await found('mooring')]).toEqual([1, 1, 1000]);
      expect([...catalog.title.sortedRows().rows]).toEqual([...before.title.sortedRows().rows]);
    });

    it('are read anew where their files are damaged or missing', async () => {
      const file = join(api.folder, 'catalogs', `kind-${kindId}.catalog`);
      writeFileSync(file, readFileSync(file).fill(7, 400, 420));
      expect((await restart()).taken).toBe(1030);
      expect(await found('mooring')).toBe(1000);
      for (const content of ['', 'no catalog']) {
        writeFileSync(file, content);
        expect((await restart()).taken).toBe(1030);
      }
      rmSync(file);
      expect((await restart()).text.documentsRead).toBe(1030);
    });

    it('are read anew when most has changed, though texts that are known are not', async () => {
      await change(async (unit) => {
        for (let id = 31; id < 500; id++) {
          const before = (await unit.listing(id))!;
          await unit.updateListing(before, { ...before, featured: true });
        }
      });
      const catalog = await restart();
      expect([catalog.taken, catalog.text.documentsRead]).toEqual([1030, 0]);
      expect(catalog.featuredAt(Date.now()).count()).toBe(469);
    });

    it('keep no file of a kind that is gone', async () => {
      await change(async (unit) => {
        await unit.remove('kind', kindId, unit.kind(kindId));
      });
      await restart();
      expect(readdirSync(join(api.folder, 'catalogs'))).toEqual([]);
    });
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
    expect((await page('/')).type).toBe('designed');
  });
});
