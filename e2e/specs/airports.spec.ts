import type { Page } from 'playwright-core';
import { AIRPORTS_FILE, expectedAnswer, readAirports } from '../harness/airports.js';
import { DemoDesk } from '../harness/demo-desk.js';
import type { Desk } from '../harness/desk.js';
import type { TestServer } from '../harness/server.js';

const PAGE_SIZE = 24;

/** Labels and counts of a facet as they stand on the page, those behind "Show all" too; zeros left out. */
async function shownCounts(page: Page, label: string): Promise<Record<string, number>> {
  const facet = page.getByRole('group', { name: label, exact: true });
  const rows = await facet
    .locator('li')
    .evaluateAll((items) =>
      items.map((item) => [
        item.querySelector('.label')?.textContent?.trim() ?? '',
        Number.parseInt(item.querySelector('.count')?.textContent ?? '', 10),
      ]),
    );
  return Object.fromEntries(rows.filter(([, count]) => count !== 0)) as Record<string, number>;
}

async function titles(page: Page): Promise<string[]> {
  // What is far down is laid out when it comes near; its words are there.
  const found = await page.locator('pl-card h3').allTextContents();
  return found.map((title) => title.trim());
}

describe('From a spreadsheet to a live directory', () => {
  const rows = readAirports();
  let empty: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];
  let desk: Desk;

  beforeAll(async () => {
    empty = await DemoDesk.empty();
    ({ server, page, desk } = empty);
  }, 60_000);

  afterAll(() => empty.close());

  it('brings in a file of 3,376 rows with a type and a reason for each column', async () => {
    await desk.chooseFile(AIRPORTS_FILE);
    await page.getByText('3,376 rows, 7 columns').waitFor();
    expect(rows.length).toBe(3376);
    await page.locator('pl-column-table').waitFor();
    const uses = await page
      .locator('pl-column-table select')
      .evaluateAll((all) => all.map((select) => (select as HTMLSelectElement).selectedOptions[0]?.label));
    expect(uses).toEqual([
      'Short text',
      'Title',
      'Short text',
      'One choice',
      'One choice',
      'Latitude of a place',
      'Longitude of a place',
    ]);
    await page.getByText('3,376 values are only 57 different ones.').waitFor();
    await page.getByText('3,376 of 3,376 rows will come in.').waitFor();
    await desk.nameKind('Airport');
    // The page that visitors will have, worked out in the browser before anything is sent.
    await page.getByRole('button', { name: 'Show the page' }).click();
    const preview = page.locator('pl-rows-preview');
    await preview.getByText('3,376 airports').waitFor();
    await preview.getByRole('checkbox', { name: /^USA / }).check();
    await preview.getByText('3,372 of 3,376 airports').waitFor();
    await preview.getByRole('link', { name: 'Clear all' }).click();
    await preview.getByText('3,376 airports').waitFor();
    await desk.bringIn();
    await page.getByRole('heading', { name: '3,376 Airports are in' }).waitFor();
  }, 60_000);

  it('shows nothing to visitors before it is published, and all of it afterwards', async () => {
    expect((await page.request.get(`${server.address}/airports`)).status()).toBe(404);
    await page.getByRole('link', { name: 'Arrange and publish' }).click();
    await page.getByRole('button', { name: 'Publish airports' }).click();
    await page.getByText('Airports are published').waitFor();
    await page.goto(`${server.address}/airports`);
    expect(await page.getByRole('status').innerText()).toBe('3,376 airports');
  }, 60_000);

  it('answers two states and a search word as a count over the file does', async () => {
    const expected = expectedAnswer(rows, ['TX', 'CA'], ['munic'], PAGE_SIZE);
    await page.goto(`${server.address}/airports`);
    await page.getByRole('button', { name: 'Show all 57' }).click();
    await page.getByRole('checkbox', { name: /^TX / }).check();
    await page.waitForURL('**/airports?state=tx');
    await page.getByRole('checkbox', { name: /^CA / }).check();
    await page.waitForURL(/state=(ca,tx|tx,ca)/);
    await page.getByRole('combobox', { name: 'Search Airports' }).fill('munic');
    await page.waitForURL('**/airports?q=munic&**');
    await page.getByLabel('Sort by').selectOption({ label: 'Title, A to Z' });
    await page.waitForURL('**sort=title**');
    await page.locator('pl-card h3', { hasText: expected.firstPage[0]! }).first().waitFor();
    expect(await page.getByRole('status').innerText()).toBe(`${expected.total} of 3,376 airports`);
    expect(await titles(page)).toEqual([...expected.firstPage]);
    expect(await shownCounts(page, 'State')).toEqual(expected.counts.State);
    expect(await shownCounts(page, 'Country')).toEqual(expected.counts.Country);
  }, 60_000);

  it('answers words with typos, and the same address when it is opened by somebody else', async () => {
    for (const [search, words, states] of [
      ['q=reginal+airprt&state=ak&sort=title', ['reginal', 'airprt'], ['AK']],
      ['q=internatonal+houst&sort=title', ['internatonal', 'houst'], rows.map(({ state }) => state)],
      ['q=county&state=ny,nv&sort=title', ['county'], ['NY', 'NV']],
    ] as const) {
      const expected = expectedAnswer(rows, states, words, PAGE_SIZE);
      await page.goto(`${server.address}/airports?${search}`);
      expect(await page.getByRole('status').innerText())
        .withContext(search)
        .toBe(`${expected.total} of 3,376 airports`);
      expect(await titles(page))
        .withContext(search)
        .toEqual([...expected.firstPage]);
      expect(await shownCounts(page, 'State'))
        .withContext(search)
        .toEqual(expected.counts.State);
    }
  }, 60_000);

  it('puts featured listings first, and among them those with a hand order', async () => {
    await desk.openTable('Airports');
    for (const title of ['Meadow Lake', 'Thigpen', 'Perry-Warsaw']) {
      await desk.find(title);
      await desk.feature(title);
    }
    await desk.find('Thigpen');
    await desk.typeIntoCell('Thigpen', 'Hand order', '20');
    await page.getByText('Changed Hand order of Thigpen').waitFor();
    await desk.find('Meadow Lake');
    await desk.typeIntoCell('Meadow Lake', 'Hand order', '10');
    await page.getByText('Changed Hand order of Meadow Lake').waitFor();
    await page.goto(`${server.address}/airports`);
    expect((await titles(page)).slice(0, 3)).toEqual(['Meadow Lake', 'Thigpen', 'Perry-Warsaw']);
    expect(await page.locator('pl-list-piece > .featured h3').count()).toBe(3);
  }, 60_000);

  it('undoes the whole import as one step, and redoes it', async () => {
    await page.goto(`${server.address}/desk/run`);
    const row = page.getByRole('row').filter({ hasText: 'Brought in 3376 Airports from airports.csv' }).first();
    await row.getByRole('button').click();
    await page.getByText('Undid: Brought in').first().waitFor();
    expect((await page.request.get(`${server.address}/airports`)).status()).toBe(404);
    await page.locator('mat-snack-bar-container').getByRole('button', { name: 'Undo' }).click();
    // Thousands of rows are put back one by one.
    await page.getByText('Undone', { exact: true }).waitFor({ timeout: 60_000 });
    await page.goto(`${server.address}/airports`);
    expect(await page.getByRole('status').innerText()).toBe('3,376 airports');
    expect((await titles(page))[0]).toBe('Meadow Lake');
  }, 150_000);

  it('complained of nothing in the console', () => {
    expect(page.complaints).toEqual([]);
  });
});
