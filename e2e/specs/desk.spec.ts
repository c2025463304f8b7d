import { Buffer } from 'node:buffer';
import type { Browser, Page } from 'playwright-core';
import { accessibilityFaults, openBrowser, openPage } from '../harness/browser.js';
import { DEMO_OWNER, Desk } from '../harness/desk.js';
import { TestServer } from '../harness/server.js';

describe('The Desk', () => {
  let server: TestServer;
  let browser: Browser;
  let page: Page & { complaints: string[] };
  let desk: Desk;

  beforeAll(async () => {
    server = await TestServer.startDemo();
    browser = await openBrowser();
    page = await openPage(browser);
    page.on('dialog', (dialog) => void dialog.accept());
    desk = new Desk(page, server);
    await desk.signIn(DEMO_OWNER);
  }, 120_000);

  afterAll(async () => {
    await browser.close();
    await server.stop();
  });

  const onSite = async (path: string): Promise<string> => (await page.request.get(`${server.address}${path}`)).text();

  it('changes a value in its cell, says what does not fit, and takes the change back', async () => {
    await desk.openTable('Berths');
    const title = 'Kessel Light, berth 6';
    await desk.find(title);
    await desk.typeIntoCell(title, 'Price a night', 'dear');
    await page.getByText('“dear” is not one').waitFor();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('99.50');
    await page.keyboard.press('Enter');
    await page.getByText(`Changed Price a night of ${title}`).waitFor();
    expect(await onSite('/berths/kessel-light-berth-6')).toContain('€99.50');
    await desk.undo(page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }));
    expect(await onSite('/berths/kessel-light-berth-6')).not.toContain('€99.50');
  }, 60_000);

  it('sorts by any column, both ways, with missing values last', async () => {
    await desk.openTable('Berths');
    const draughts = (): Promise<string[]> =>
      page
        .getByRole('button', { name: /^Greatest draught: / })
        .evaluateAll((cells) => cells.map((cell) => cell.textContent?.trim() ?? ''));
    const metres = (texts: string[]): number[] =>
      texts.filter((text) => text !== '').map((text) => Number.parseFloat(text));
    const header = page.getByRole('columnheader', { name: 'Greatest draught' });
    for (const direction of ['ascending', 'descending']) {
      await header.getByRole('button', { name: 'Greatest draught', exact: true }).click();
      await page
        .getByRole('columnheader', { name: 'Greatest draught' })
        .and(page.locator(`[aria-sort=${direction}]`))
        .waitFor();
      await page.waitForTimeout(500);
      const found = metres(await draughts());
      expect(found.length).toBeGreaterThan(10);
      expect(found).toEqual([...found].sort((a, b) => (direction === 'ascending' ? a - b : b - a)));
    }
  }, 60_000);

  it('puts a listing into the bin and restores it', async () => {
    await desk.openTable('Harbours');
    await page.getByRole('button', { name: 'Bin Sallow Creek' }).click();
    await page.getByText('Put Sallow Creek into the bin').waitFor();
    expect((await page.request.get(`${server.address}/harbours/sallow-creek`)).status()).toBe(404);
    await page.getByLabel('Show by status').selectOption({ label: 'The bin' });
    await page.getByRole('button', { name: 'Restore Sallow Creek' }).click();
    await page.getByText('Restored Sallow Creek as a draft').waitFor();
    await page.getByText('The bin is empty.').waitFor();
  }, 60_000);

  it('adds a listing in a form made from the fields, with its mistakes told at once', async () => {
    await desk.openTable('Berths');
    await page.getByRole('button', { name: 'Add berth' }).click();
    await page.getByRole('heading', { name: 'New berth' }).waitFor();
    await page.getByLabel('Price a night').fill('cheap');
    await page.getByLabel('Greatest length').fill('200');
    await page.getByRole('button', { name: 'Save' }).click();
    const summary = page.locator('.issues');
    await summary.getByText('4 things have to be mended').waitFor();
    for (const message of ['A listing needs a title.', 'Harbour is required.', '“cheap” is not one', 'at most 60 m']) {
      await summary.getByText(message).waitFor();
    }
    await page.getByLabel('Title (required)').fill('Test berth');
    await page.getByLabel('Price a night').fill('12,345.50');
    await page.getByLabel('Greatest length').fill('40 ft');
    await desk.link('Harbour (required)', 'Pellan Pool');
    await page.getByRole('combobox', { name: 'Facilities' }).click();
    await page.getByRole('option', { name: 'Water' }).click();
    await page.getByRole('option', { name: 'Lighting' }).click();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+s');
    await page.getByText('Saved Test berth').waitFor();
    const shown = await onSite('/berths/test-berth');
    for (const text of ['Pellan Pool', '€12,345.50', '12.192 m', 'Water, Lighting']) expect(shown).toContain(text);
  }, 60_000);

  it('changes the facets of a page, beside a preview of it', async () => {
    await page.goto(`${server.address}/desk/arrange/1`);
    const preview = page.getByRole('complementary', { name: 'What a visitor will see' });
    await preview.getByText('Working channel').waitFor({ state: 'detached' });
    await preview.getByRole('group', { name: 'Region' }).waitFor();
    await page.getByRole('button', { name: 'Remove Region' }).click();
    await preview.getByRole('group', { name: 'Region' }).waitFor({ state: 'detached' });
    expect(await onSite('/harbours')).not.toContain('data-facet="region"');
    await page.getByLabel('Add a facet over').selectOption({ label: 'Region' });
    await preview.getByRole('group', { name: 'Region' }).waitFor();
  }, 60_000);

  it('tells what is wrong with a file, where, and keeps nothing of it', async () => {
    const wide = Array.from({ length: 201 }, (_, at) => `c${at}`).join(',');
    const cases: readonly [string, Buffer | string, string][] = [
      ['picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a]), 'it is a PNG picture. Save it as CSV'],
      ['empty.csv', '', 'The file is empty.'],
      ['quote.csv', 'name,note\nA,fine\nB,"open\nC,x\n', 'A quoted value that begins in line 3 is never closed.'],
      ['twice.csv', 'name,name\nA,B\n', 'Two columns are called “name” (1 and 2).'],
      ['unnamed.csv', 'name,,x\nA,B,C\n', 'column 2 has no name'],
      ['mixed.csv', Buffer.concat([Buffer.from('name\nné\n'), Buffer.from([0xe9, 0x0a])]), 'line 3 is not UTF-8'],
      ['wide.csv', `${wide}\n${wide}\n`, 'The file has 201 columns; at most 200'],
    ];
    for (const [name, content, message] of cases) {
      await desk.chooseFile({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
      await page.getByRole('alert').getByText(message).waitFor();
    }
    const kinds = await page.request.get(`${server.address}/api/kinds`);
    expect(((await kinds.json()) as unknown[]).length).toBe(7);
  }, 60_000);

  it('shows which rows will not come in, can be cancelled, and then leaves nothing', async () => {
    const rows = Array.from({ length: 30_000 }, (_, at) => `Boat ${at},${at % 9}`).join('\n');
    const text = `name,seats\n${rows}\nTender,many\nBig,"${'x'.repeat(1_048_576)}"\n`;
    await desk.chooseFile({ name: 'boats.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await page.getByText('30,000 of 30,002 rows will come in.').waitFor();
    await page.getByText('Say above what one row is').waitFor();
    await desk.nameKind('Boat');
    await page.locator('summary', { hasText: 'Why' }).click();
    await page.getByRole('row', { name: /30002 Tender .*“many” is not one/ }).waitFor();
    await page.getByRole('button', { name: 'Bring in 30,000 rows' }).click();
    await page
      .getByRole('status')
      .filter({ hasText: /of 30,002 rows/ })
      .waitFor();
    await page.getByRole('button', { name: 'Cancel' }).click();
    await page.getByRole('button', { name: 'Bring in 30,000 rows' }).waitFor();
    await page.goto(`${server.address}/desk/run`);
    await page.getByRole('heading', { name: 'What was changed' }).waitFor();
    expect(await page.getByText('boats.csv').count()).toBe(0);
    const kinds = await page.request.get(`${server.address}/api/kinds`);
    expect(((await kinds.json()) as unknown[]).length).toBe(7);
  }, 90_000);

  it('has no faults that axe-core finds by WCAG 2.2 AA', async () => {
    for (const path of [
      'shape',
      'shape/3',
      'shape/categories/1',
      'shape/from-file',
      'fill/2',
      'fill/2/20',
      'arrange/1',
      'arrange/selections/1',
      'run',
    ]) {
      await page.goto(`${server.address}/desk/${path}`, { waitUntil: 'networkidle' });
      expect(await accessibilityFaults(page))
        .withContext(path)
        .toEqual([]);
    }
  }, 90_000);

  it('asks who you are again after signing out', async () => {
    await page.goto(`${server.address}/desk/shape`);
    await page.getByRole('button', { name: 'Merrow Sound office' }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Sign in' }).waitFor();
    expect((await page.request.get(`${server.address}/api/kinds`)).status()).toBe(401);
    expect(page.complaints).toEqual([]);
  }, 60_000);
});

describe('A stop of the server in the middle of an import', () => {
  it('loses no change that was acknowledged, leaves no half import, and is told at the next start', async () => {
    let server = await TestServer.startDemo();
    const send = async (path: string, body: unknown, headers: Record<string, string>): Promise<Response> =>
      fetch(`${server.address}/api${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', ...headers },
        body: JSON.stringify(body),
      });
    const session = await send('/session', DEMO_OWNER, {});
    const { csrf } = (await session.json()) as { csrf: string };
    const own = { Cookie: session.headers.get('set-cookie')?.split(';')[0] ?? '', 'X-CSRF-Token': csrf };
    const kept = await send('/kinds/1/listings', { title: 'Kept', status: 'live' }, own);
    expect(kept.status).toBe(200);
    const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
    const started = await send('/imports', { fileName: 'b.csv', rows: 2, policy: 'refuse-row', kind }, own);
    const { id } = (await started.json()) as { id: number };
    await send(`/imports/${id}/rows`, { offset: 0, rows: [{ line: 2, input: { title: 'Dory' } }] }, own);
    await server.kill();
    server = await TestServer.start(server.folder);
    const kinds = await fetch(`${server.address}/api/kinds`, { headers: own });
    expect(((await kinds.json()) as unknown[]).length).toBe(7);
    expect((await fetch(`${server.address}/harbours/kept`)).status).toBe(200);
    await server.stop();
  }, 90_000);
});
