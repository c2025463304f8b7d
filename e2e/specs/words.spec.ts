import { DemoDesk } from '../harness/demo-desk.js';
import type { Page } from 'playwright-core';
import { accessibilityFaults } from '../harness/browser.js';

/** Sends a change to the API as the Desk does; gives the status of the answer. */
function send(page: Page, method: string, path: string, body: object): Promise<number> {
  return page.evaluate(
    async (change) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
      const headers = { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf };
      return (await fetch(change.path, { method: change.method, headers, body: JSON.stringify(change.body) })).status;
    },
    { method, path, body },
  );
}

describe('A site in another language', () => {
  it('says everything in it, with the sentences of its publisher, before and after scripts run', async () => {
    const demo = await DemoDesk.open();
    const { page } = demo;
    const { address } = demo.server;
    const { site } = await page.evaluate(async () => {
      return (await (await fetch('/api/page?url=/')).json()) as { site: object };
    });
    expect(await send(page, 'PUT', '/api/site', { ...site, locale: 'de-DE' })).toBe(200);
    const definition = { name: 'Eigene Worte', language: 'de', said: { 'facets.label': 'Auswahl' } };
    expect(await send(page, 'POST', '/api/designs', { type: 'words', kindId: null, definition })).toBe(200);

    await page.goto(`${address}/berths?facility=water&q=zzzz`, { waitUntil: 'networkidle' });
    expect(await page.locator('html').getAttribute('lang')).toBe('de-DE');
    expect(await page.getByRole('status').first().innerText()).toBe('Berths: 0 von 153');
    await page.getByRole('link', { name: 'Ohne „zzzz“' }).click();
    await page.waitForURL(/\/berths\?facility=water$/);
    await page.getByLabel('Sortieren nach').selectOption({ label: 'Title, A to Z' });
    await page.waitForURL(/sort=title/);
    await page
      .getByRole('link', { name: /zurücknehmen$/ })
      .first()
      .waitFor();
    expect(await page.locator('pl-facets-piece h2').textContent()).toBe('Auswahl');
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.goto(`${address}/nowhere`);
    await page.getByRole('heading', { name: 'Hier ist nichts' }).waitFor();
    expect(page.complaints).toEqual([]);
    await demo.close();
  }, 120_000);
});

describe('What a site says', () => {
  it('is written anew in the Desk, and taken back, and visitors read it', async () => {
    const demo = await DemoDesk.open();
    const { page } = demo;
    const headings = async (): Promise<string[]> => {
      const html = await (await fetch(`${demo.server.address}/berths`)).text();
      return [...html.matchAll(/<h2>([^<]+)<\/h2>/g)].map(([, heading]) => heading!);
    };
    await page.goto(`${demo.server.address}/desk/arrange`);
    await page.getByRole('link', { name: 'Words' }).click();
    await page.getByPlaceholder('Find a sentence').fill('featured');
    const field = page.getByLabel('Featured', { exact: true }).first();
    await field.fill('Our choice');
    await field.press('Tab');
    await page.getByText('Changed what the site says: “Our choice”').waitFor();
    expect(await headings()).toContain('Our choice');
    expect(await accessibilityFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await page.getByText('Undone').waitFor();
    expect(await headings()).not.toContain('Our choice');
    expect(page.complaints).toEqual([]);
    await demo.close();
  }, 120_000);
});
