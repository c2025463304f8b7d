import { openBrowser, openPage } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';

describe('The public site, for somebody who is signed in,', () => {
  let demo: DemoDesk;
  let page: DemoDesk['page'];

  beforeAll(async () => {
    demo = await DemoDesk.open();
    ({ page } = demo);
  }, 120_000);

  afterAll(() => demo.close());

  it('tells why a listing isn’t on a list, with what is chosen, and where it is when it is there', async () => {
    await page.goto(`${demo.server.address}/berths?type=quay-wall`);
    await page.getByRole('button', { name: 'Why isn’t it here?' }).click();
    const bar = page.getByRole('complementary', { name: 'For editors' });
    await bar.getByRole('searchbox').fill('Greyfin Marina, berth 18');
    await bar.getByRole('button', { name: 'Greyfin Marina, berth 18', exact: true }).click();
    await bar.getByText(/Type.*: it has “.*”; chosen: Quay wall\./).waitFor();
    await page.goto(`${demo.server.address}/berths`);
    await page.getByRole('button', { name: 'Why isn’t it here?' }).click();
    await bar.getByRole('searchbox').fill('Greyfin Marina, berth 18');
    await bar.getByRole('button', { name: 'Greyfin Marina, berth 18', exact: true }).click();
    await bar.getByText(/is here: number \d+, on page\s+\d+/).waitFor();
    expect(page.complaints).toEqual([]);
  }, 90_000);

  it('lists what just misses, with the way to the page that has it and to its form', async () => {
    await page.goto(`${demo.server.address}/berths?type=quay-wall`);
    await page.getByRole('button', { name: 'Why isn’t it here?' }).click();
    await page.getByRole('button', { name: 'Show the listings that just miss' }).click();
    const bar = page.getByRole('complementary', { name: 'For editors' });
    await bar.getByText(/more:/).waitFor();
    await bar.getByRole('link', { name: /: Quay wall$/ }).click();
    await page.waitForURL(/\/berths$/);
    await bar.getByText(/more:/).waitFor({ state: 'detached' });
  }, 90_000);

  it('shows visitors nothing of it', async () => {
    const browser = await openBrowser();
    const other = await openPage(browser);
    await other.goto(`${demo.server.address}/berths`);
    await other.waitForLoadState('networkidle');
    expect(await other.getByRole('complementary', { name: 'For editors' }).count()).toBe(0);
    const answer = await other.request.get(`${demo.server.address}/api/page/explain?url=/berths&listing=1`);
    expect(answer.status()).toBe(401);
    await browser.close();
  }, 60_000);
});
