import type { Page } from 'playwright-core';
import { openPage } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';

describe('Two people in one Desk', () => {
  let demo: DemoDesk;
  let page: Page & { complaints: string[] };
  let other: Page & { complaints: string[] };
  const desk = (path: string): string => `${demo.server.address}/desk${path}`;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    page = demo.page;
    other = await openPage(demo.browser);
    await page.goto(desk('/run/people'));
    await page.getByLabel('E-mail').fill('tide@merrowsound.example');
    await page.getByLabel('Name').fill('Ines Tide');
    await page.getByRole('button', { name: 'Invite', exact: true }).click();
    const link = await page.getByLabel('Link for tide@merrowsound.example', { exact: true }).inputValue();
    await other.goto(link);
    await other.getByLabel('Choose a password').fill('lighthouse at dusk');
    await other.getByRole('button', { name: 'Begin' }).click();
    await other.waitForURL('**/desk/fill/**');
  }, 120_000);
  afterAll(() => demo.close());

  it('see at once what the other one changes in the table', async () => {
    for (const one of [page, other]) {
      await one.goto(desk('/fill/2'));
      await one.getByRole('button', { name: 'Brannock Island, berth 1', exact: true }).waitFor();
    }
    await other.getByRole('button', { name: 'Featured: Brannock Island, berth 1' }).click();
    await page
      .getByRole('button', { name: 'Featured: Brannock Island, berth 1', exact: true })
      .and(page.locator('[aria-pressed=true]'))
      .waitFor();
  }, 60_000);

  it('are told of each other in a listing, and neither loses what they typed', async () => {
    const ids = (await page.evaluate(async () => (await fetch('/api/kinds/2/listings?limit=1')).json())) as {
      listings: { id: number }[];
    };
    const path = `/fill/2/${ids.listings[0]!.id}`;
    await page.goto(desk(path));
    await page.getByLabel('Title (required)').waitFor();
    await other.goto(desk(path));
    await other.getByText('has this listing open too.').waitFor();

    await page.getByLabel('Summary').fill('Typed by one of them');
    await other.getByLabel('Title (required)').fill('Renamed by the other');
    await other.keyboard.press('Control+s');
    await other.getByText('Saved Renamed by the other').waitFor();
    await page.getByText('Ines Tide has changed this listing meanwhile').waitFor();
    await page.getByRole('button', { name: 'Take that in and keep mine' }).click();
    await page.getByText('What was changed is in the form, beside what you have typed.').waitFor();
    expect(await page.getByLabel('Title (required)').inputValue()).toBe('Renamed by the other');
    expect(await page.getByLabel('Summary').inputValue()).toBe('Typed by one of them');
    await page.keyboard.press('Control+s');
    await page.getByText('Saved Renamed by the other').waitFor();

    // Nothing was typed there, so it simply is as it is by now.
    await other.waitForFunction(() =>
      Array.from(document.querySelectorAll('textarea')).some((area) => area.value === 'Typed by one of them'),
    );

    // The same person in a window of their own is somebody else to the first.
    const window = await openPage(demo.browser);
    await window.goto(desk('/sign-in'));
    await window.getByLabel('E-mail').fill('tide@merrowsound.example');
    await window.getByLabel('Password').fill('lighthouse at dusk');
    await window.getByRole('button', { name: 'Sign in' }).click();
    await window.waitForURL('**/desk/fill/**');
    await window.goto(desk(path));
    await window.getByLabel('Summary').fill('Typed in a second window');
    await other.getByLabel('Title (required)').fill('Renamed once more');
    await other.keyboard.press('Control+s');
    await window.getByText('You have changed this listing in another window').waitFor();
    await window.close();
    await page.getByRole('heading', { name: 'Renamed once more', level: 1 }).waitFor();
  }, 60_000);
});
