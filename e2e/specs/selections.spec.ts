import type { PageModel } from '@plindo/core/page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { DemoDesk } from '../harness/demo-desk.js';
import type { TestServer } from '../harness/server.js';

describe('Selections in the Desk', () => {
  let demo: DemoDesk;
  let server: TestServer;
  let page: DemoDesk['page'];

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ server, page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  it('are written as a sentence of choices, with the result beside it, and get a page of their own', async () => {
    await page.goto(`${server.address}/desk/arrange/selections/new`);
    await page.getByLabel('Name', { exact: true }).fill('Long berths');
    await page.getByRole('checkbox', { name: 'Harbours', exact: true }).uncheck();
    await page.getByRole('checkbox', { name: 'Berths', exact: true }).check();
    await page.getByRole('button', { name: 'Condition' }).click();
    await page.getByLabel('Field').selectOption({ label: 'Greatest length' });
    await page.getByLabel('How it compares').selectOption({ label: 'is at least' });
    await page.getByLabel('Value', { exact: true }).fill('20 m');
    const count = page.getByRole('complementary', { name: 'What it gives' }).getByRole('status').first();
    await count.filter({ hasText: /^\s*[1-9]\d? listings/ }).waitFor();
    await page.getByLabel('Visitors find it on the site').check();
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('Saved the selection Long berths').waitFor();
    const onSite = await page.request.get(`${server.address}/api/page?url=/lists/long-berths`);
    const { total } = listOnPage((await onSite.json()) as PageModel);
    expect(total).toBeGreaterThan(0);
    // The Desk says the same once it has counted what was chosen last.
    await count.filter({ hasText: new RegExp(`^\\s*${total} listings`) }).waitFor();
  }, 60_000);

  it('say why a listing isn’t there, and which just miss', async () => {
    const why = page.locator('pl-why-panel');
    await why.getByLabel('Name of a listing').fill('Greyfin Marina, berth 18');
    await why.getByRole('button', { name: 'Greyfin Marina, berth 18', exact: true }).click();
    await why.getByText('Greatest length is “11 m”; wanted: is at least 20 m.').waitFor();
    await why.getByRole('button', { name: 'Show the listings that just miss' }).click();
    await why.getByText(/\d+ fail condition 1 alone/).waitFor();
  }, 60_000);

  it('refuse a value that cannot be read, at its place, and keep what was typed', async () => {
    await page.getByLabel('Value', { exact: true }).fill('very long');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.locator('pl-condition-editor').getByRole('alert').first().waitFor();
    expect(await page.getByLabel('Value', { exact: true }).inputValue()).toBe('very long');
    await page.getByLabel('Value', { exact: true }).fill('18 m');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('Saved the selection Long berths').last().waitFor();
  }, 60_000);

  it('can be picked by hand, in an order of their own', async () => {
    await page.goto(`${server.address}/desk/arrange/selections/new`);
    await page.getByLabel('Name', { exact: true }).fill('Our favourites');
    await page.getByLabel('a list picked by hand').check();
    for (const title of ['Kessel Light', 'Ostrey Quay']) {
      await page.getByLabel('Add a listing').fill(title);
      await page.locator('pl-picked-list').getByRole('button', { name: title, exact: true }).click();
    }
    await page.getByRole('button', { name: 'Move Ostrey Quay', exact: true }).press('ArrowUp');
    await page.getByLabel('Visitors find it on the site').check();
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('Saved the selection Our favourites').waitFor();
    await page.goto(`${server.address}/lists/our-favourites`);
    expect(await page.locator('pl-card h3').allInnerTexts()).toEqual(['Ostrey Quay', 'Kessel Light']);
  }, 60_000);

  it('of several kinds have search, facets and the reasons too, and count what each choice gives', async () => {
    await page.goto(`${server.address}/desk/arrange/selections`);
    await page.getByRole('link', { name: 'On the Skerry coast' }).first().click();
    const facets = page.getByRole('group', { name: 'Facets on its page' });
    expect(await facets.getByRole('checkbox', { name: 'Kind' }).isChecked()).toBeTrue();
    await facets.getByRole('checkbox', { name: 'Our rating' }).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('Saved the selection On the Skerry coast').waitFor();
    await page.goto(`${server.address}/lists/on-the-skerry-coast`);
    const ofKind = async (label: string): Promise<number> => {
      const value = page.getByRole('group', { name: 'Kind' }).locator('li', { hasText: label });
      return Number.parseInt(await value.locator('.count').innerText(), 10);
    };
    const [harbours, yards] = [await ofKind('Harbours'), await ofKind('Boatyards')];
    await page
      .getByRole('status')
      .filter({ hasText: `${harbours + yards} listings` })
      .waitFor();
    await page.getByRole('checkbox', { name: /^Boatyards/ }).check();
    await page.waitForURL('**?kind=boatyards');
    await page
      .getByRole('status')
      .filter({ hasText: `${yards} of ${harbours + yards} listings` })
      .waitFor();
    expect(await ofKind('Harbours')).toBe(harbours);
    await page.getByPlaceholder('Search listings').fill('nothing like this at all');
    await page.getByText('Nothing matches all of that.').waitFor();
    await page.goto(`${server.address}/lists/on-the-skerry-coast?kind=harbours&services=rigging`);
    await page.getByRole('status').filter({ hasText: '0 of' }).or(page.getByText('Nothing matches')).first().waitFor();
  }, 60_000);

  it('come and go at their moment: a listing whose time is over is gone from every list at once', async () => {
    const found = (await (await page.request.get(`${server.address}/api/find?q=Kessel+Light`)).json()) as {
      listings: { id: number; title: string }[];
    };
    const { id } = found.listings.find(({ title }) => title === 'Kessel Light')!;
    await page.goto(`${server.address}/desk/fill/1/${id}`);
    await page.getByLabel('On the site until, day').fill('1/1/2020');
    await page.getByLabel('On the site until, time').fill('12:00');
    await page.getByText(/Left the site on Wednesday/).waitFor();
    await page.keyboard.press('Control+s');
    await page.getByText('Saved Kessel Light').waitFor();
    const shown = page.locator('pl-where-shown li').filter({ hasText: 'Our favourites' });
    await shown.getByText('Why isn’t it here?').click();
    await shown.getByText(/It left the site on Wednesday/).waitFor();
    expect((await page.request.get(`${server.address}/harbours/kessel-light`)).status()).toBe(404);
    await page.goto(`${server.address}/lists/our-favourites`);
    expect(await page.locator('pl-card h3').allInnerTexts()).toEqual(['Ostrey Quay']);
    await page.goto(`${server.address}/berths`);
    const harbours = await page.getByRole('combobox', { name: 'Harbour' }).locator('option').allInnerTexts();
    expect(harbours.join()).not.toContain('Kessel Light');
  }, 60_000);

  it('complained of nothing in the console', () => {
    expect(page.complaints).toEqual([]);
  });
});
