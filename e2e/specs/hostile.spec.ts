import type { Browser, Page } from 'playwright-core';
import { openBrowser, openPage } from '../harness/browser.js';
import { Desk } from '../harness/desk.js';
import { TestServer } from '../harness/server.js';

/** What would tell on itself if anything took it for more than text. */
const EVIL = '<img src=x onerror="window.evil=1"><script>window.evil=1</script>';

describe('Script', () => {
  let server: TestServer;
  let browser: Browser;
  let page: Page & { complaints: string[] };

  /** Sends a request from the page that is open, as the Desk would. */
  const send = (method: string, path: string, body: unknown): Promise<{ result: { id: number } }> =>
    page.evaluate(
      async ({ method: how, path: where, body: what }) => {
        const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
        const headers = { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf };
        const answer = await fetch(where, { method: how, headers, body: JSON.stringify(what) });
        if (!answer.ok) throw new Error(`${where}: ${await answer.text()}`);
        return (await answer.json()) as { result: { id: number } };
      },
      { method, path, body },
    );

  beforeAll(async () => {
    server = await TestServer.start();
    browser = await openBrowser();
    page = await openPage(browser);
    await new Desk(page, server).makeOwner();
  }, 120_000);

  afterAll(async () => {
    await browser.close();
    await server.stop();
  });

  it('in a label, a category, a text, a rich text, a file name or a link does nothing, wherever it is shown', async () => {
    const category = { key: 'a', parent: null, icon: '', colour: '', picture: null, formerKeys: [] };
    const categories = [{ ...category, label: EVIL.slice(0, 40), text: EVIL }];
    const set = await send('POST', '/api/category-sets', { slug: 's', label: EVIL.slice(0, 60), categories });
    const ticks = { control: 'ticks', join: 'any', zero: 'dim', valueOrder: 'label', shownFirst: 8 };
    const kind = await send('POST', '/api/kinds', {
      ...{ one: 'Thing', many: EVIL.slice(0, 70), slug: 'things', published: true, startStatus: 'live', intro: EVIL },
      parts: ['summary', 'body', 'author'],
      fields: [
        { key: 'kind', label: EVIL.slice(0, 79), type: 'categories', settings: { set: set.result.id } },
        { key: 'note', label: 'Note', type: 'short-text', help: EVIL, placeholder: EVIL },
        { key: 'text', label: 'Text', type: 'rich-text' },
        { key: 'paper', label: 'Paper', type: 'file' },
      ],
      facets: [{ key: 'kind', label: EVIL, field: 'kind', ...ticks }],
    });
    await page.goto(`${server.address}/desk/fill/${kind.result.id}/new`);
    await page.getByLabel('Title (required)').fill(EVIL);
    await page.getByLabel('Summary').fill(EVIL);
    await page.getByLabel('Note', { exact: true }).fill(EVIL);
    const name = `${EVIL.replace(/[/\\]/g, '-')}.txt`;
    const file = { name, mimeType: 'text/plain', buffer: Buffer.from('x') };
    await page.getByRole('group', { name: 'Paper' }).locator('input[type=file]').setInputFiles(file);
    await page.getByRole('group', { name: 'Paper' }).getByRole('link').waitFor();
    await page.keyboard.press('Control+s');
    await page.getByText('Saved <img').waitFor();
    const markup = `<p onclick="window.evil=1">Plain</p>${EVIL}<a href="javascript:window.evil=1">go</a>`;
    const input = { version: 1, body: markup, values: { text: markup, kind: ['a'] } };
    await send('PATCH', '/api/listings/1', input);

    for (const path of [
      '/',
      '/things',
      '/things?kind=a',
      '/things/img-src-x-onerror-window-evil-1-script-window-evil-1-script',
      '/desk/shape',
      '/desk/shape/1',
      '/desk/shape/categories/1',
      '/desk/shape/map',
      '/desk/fill/1',
      '/desk/fill/1/1',
      '/desk/fill/problems',
      '/desk/arrange/1',
      '/desk/run',
    ]) {
      await page.goto(`${server.address}${path}`);
      await page.getByText('<img').first().waitFor();
      expect(await page.evaluate('window.evil'))
        .withContext(path)
        .toBeUndefined();
      const scripts = await page.locator('[onclick], [onerror], a[href^="javascript:"], img[src="x"]').count();
      expect(scripts).withContext(path).toBe(0);
    }
    await page.getByRole('button', { name: /^Jump to/ }).click();
    await page.getByRole('dialog').getByRole('combobox').fill('img');
    await page.getByRole('option').first().waitFor();
    expect(await page.evaluate('window.evil')).toBeUndefined();
    expect(page.complaints).toEqual([]);
  }, 120_000);
});
