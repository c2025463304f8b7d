import type { Page } from 'playwright-core';
import { generate } from 'otplib';
import { accessibilityFaults, openPage } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { DEMO_OWNER } from '../harness/desk.js';

const NEWCOMER = { email: 'tide@merrowsound.example', password: 'lighthouse at dusk' };

describe('People', () => {
  let demo: DemoDesk;
  let page: Page & { complaints: string[] };
  let newcomer: Page & { complaints: string[] };

  beforeAll(async () => {
    demo = await DemoDesk.open();
    page = demo.page;
    newcomer = await openPage(demo.browser);
  }, 120_000);
  afterAll(() => demo.close());

  const desk = (path: string): string => `${demo.server.address}/desk${path}`;
  const typeSignIn = async (on: Page, { email, password }: typeof NEWCOMER): Promise<void> => {
    await on.goto(desk('/sign-in'));
    await on.getByLabel('E-mail').fill(email);
    await on.getByLabel('Password').fill(password);
    await on.getByRole('button', { name: 'Sign in' }).click();
  };

  it('are invited with a link, choose a password, and do what their role allows', async () => {
    await page.goto(desk('/run'));
    await page.getByRole('link', { name: 'People' }).click();
    await page.getByLabel('E-mail').fill(NEWCOMER.email);
    await page.getByLabel('Name').fill('Ines Tide');
    await page.getByRole('button', { name: 'Invite', exact: true }).click();
    const link = await page.getByLabel(`Link for ${NEWCOMER.email}`, { exact: true }).inputValue();
    await page.getByRole('button', { name: `New link for ${NEWCOMER.email}` }).waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);

    await newcomer.goto(link);
    await newcomer.getByText('You are invited as Editor').waitFor();
    await newcomer.getByLabel('Choose a password').fill(NEWCOMER.password);
    expect(await accessibilityFaults(newcomer)).toEqual([]);
    await newcomer.getByRole('button', { name: 'Begin' }).click();
    await newcomer.waitForURL('**/desk/fill/**');
    await newcomer.getByRole('link', { name: 'Run', exact: true }).click();
    await newcomer.getByRole('link', { name: 'Calendar' }).waitFor();
    expect(await newcomer.getByRole('link', { name: 'People' }).count()).toBe(0);

    const again = await openPage(demo.browser);
    await again.goto(link);
    await again.getByRole('alert').getByText('does not work any more').waitFor();
    await again.close();
  }, 60_000);

  it('get another role or are switched off, which shows at once', async () => {
    await page.goto(desk('/run/people'));
    const row = page
      .getByRole('row')
      .filter({ hasText: 'Ines Tide' })
      .filter({ has: page.getByRole('combobox') });
    await row.getByRole('combobox').selectOption({ label: 'Contributor' });
    await page.getByText('Ines Tide is Contributor now.').waitFor();
    await newcomer.goto(desk('/'));
    await newcomer.waitForURL('**/desk/me');
    expect(await newcomer.getByRole('navigation', { name: 'Stages' }).getByRole('link').count()).toBe(0);

    await row.getByRole('button', { name: 'Switch Ines Tide off' }).click();
    await page.getByText('can’t sign in any more').waitFor();
    await newcomer.goto(desk('/me'));
    await newcomer.waitForURL('**/desk/sign-in**');
    await typeSignIn(newcomer, NEWCOMER);
    await newcomer.getByText('The e-mail address or the password is not right.').waitFor();
    await row.getByRole('button', { name: 'Switch Ines Tide on' }).click();
    await row.getByRole('button', { name: 'Switch Ines Tide off' }).waitFor();

    const own = page.getByRole('row').filter({ hasText: '(you)' });
    await own.getByRole('combobox').selectOption({ label: 'Editor' });
    await page.getByText('A directory needs an owner.').waitFor();
    expect(await own.getByRole('combobox').inputValue()).toBe('owner');
    await page.getByText('was refused: wrong password or code').first().waitFor();
  }, 60_000);

  it('choose another password with a link, and sign in with it', async () => {
    await newcomer.goto(desk('/sign-in'));
    await newcomer.getByRole('link', { name: 'I have forgotten my password' }).click();
    // The page before it asks for an address as well.
    await newcomer.getByRole('heading', { name: 'Another password' }).waitFor();
    await newcomer.getByLabel('E-mail').fill(NEWCOMER.email);
    await newcomer.getByRole('button', { name: 'Send me a link' }).click();
    await newcomer.getByText('a mail with a link is on its way').waitFor();
    await page.goto(desk('/run/outbox'));
    await page.getByText('Choose another password for Merrow Sound').first().click();
    await page.getByText('/desk/new-password#…').first().waitFor();

    await page.goto(desk('/run/people'));
    await page.getByRole('button', { name: 'Link for another password of Ines Tide' }).click();
    const link = await page.getByLabel(`Link for ${NEWCOMER.email}`, { exact: true }).inputValue();
    await newcomer.goto(link);
    await newcomer.getByLabel('New password').fill('123456789012');
    await newcomer.getByRole('button', { name: 'Save the password' }).click();
    await newcomer.getByText('one of the commonest').waitFor();
    await newcomer.getByLabel('New password').fill('a slack water hour');
    await newcomer.getByRole('button', { name: 'Save the password' }).click();
    await newcomer.getByText('Your password was changed.').waitFor();
    await typeSignIn(newcomer, { ...NEWCOMER, password: 'a slack water hour' });
    await newcomer.waitForURL('**/desk/me');
  }, 60_000);

  it('turn on a second step, and sign in with a code', async () => {
    await page.goto(desk('/me'));
    const step = page.locator('pl-second-step-panel');
    await step.getByLabel('Your password').fill('not this one');
    await step.getByRole('button', { name: 'Turn on a second step' }).click();
    await step.getByText('The present password is not right.').waitFor();
    await step.getByLabel('Your password').fill(DEMO_OWNER.password);
    await step.getByRole('button', { name: 'Turn on a second step' }).click();
    const secret = await step.getByLabel('Secret for your telephone').inputValue();
    expect(await accessibilityFaults(page)).toEqual([]);
    await step.getByLabel('Six digits').fill(await generate({ secret }));
    await step.getByRole('button', { name: 'Turn it on' }).click();
    await step.getByText('The second step is on.').waitFor();
    const [code = ''] = await step.locator('.codes li').allTextContents();
    await step.getByRole('button', { name: 'I have kept them' }).click();
    await step.getByText('10 of your spare codes are left').waitFor();

    await page.getByRole('button', { name: 'Sign out everywhere' }).click();
    await page.waitForURL('**/desk/sign-in');
    await typeSignIn(page, DEMO_OWNER);
    await page.getByLabel('Code').fill('000000');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByText('This code is not right').waitFor();
    await page.getByLabel('Code').fill(code.trim());
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL('**/desk/shape');
    await page.goto(desk('/me'));
    await page.getByText('9 of your spare codes are left').waitFor();
  }, 60_000);

  it('make a token that may only read', async () => {
    const tokens = page.locator('pl-tokens-panel');
    await tokens.getByLabel('What the token is for').fill('nightly report');
    await tokens.getByRole('button', { name: 'Make an access token' }).click();
    const secret = await tokens.getByLabel('Access token').inputValue();
    const headers = { Authorization: `Bearer ${secret}` };
    expect((await fetch(`${demo.server.address}/api/kinds`, { headers })).status).toBe(200);
    const change = await fetch(`${demo.server.address}/api/site`, { method: 'PUT', headers });
    expect(change.status).toBe(403);
    expect(await tokens.getByRole('row').filter({ hasText: 'nightly report' }).textContent()).toContain('only read');
  }, 60_000);

  it('had no error in their browsers', () => {
    expect([...page.complaints, ...newcomer.complaints]).toEqual([]);
  });
});
