import type { Locator } from 'playwright-core';
import { PHONE, accessibilityFaults, openPage } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { mailsIn } from '../harness/mail-box.js';

const MINUTES = 3 * 60_000;
/** Nobody looks over what they have answered, or writes a message, in less. */
const LOOKS_IT_OVER_IN_MS = 2_300;

describe('A visitor with a telephone', () => {
  let desk: DemoDesk;
  let phone: Awaited<ReturnType<typeof openPage>>;

  beforeAll(async () => {
    desk = await DemoDesk.open();
    phone = await openPage(desk.browser, { viewport: PHONE, isMobile: true, hasTouch: true });
  }, MINUTES);
  afterAll(() => desk.close());

  const site = (path: string): string => desk.server.address + path;
  const go = async (path: string): Promise<void> => void (await phone.goto(site(path)));
  const inDesk = (path: string): Promise<unknown> => desk.page.goto(site(`/desk${path}`), { waitUntil: 'networkidle' });
  const next = async (): Promise<void> => phone.getByRole('button', { name: 'Next' }).click();
  /** Fills the form as somebody would who knows a yard; leaves it where it can be sent. */
  const fill = async (title: string, telephone: string): Promise<void> => {
    await go('/tell-us');
    await phone.locator('h1').first().tap();
    await phone.getByText('Step 1 of 4').waitFor();
    await phone.getByLabel('What is it called?').fill(title);
    await phone.getByLabel('Rigging', { exact: true }).check();
    await next();
    await phone.getByLabel('Kessel Light').check();
    await phone.getByLabel('Telephone').fill(telephone);
    await next();
    await phone.getByText('A picture of the yard').waitFor();
    await next();
    await phone.getByLabel('Your e-mail address').fill('ana@example.org');
    await phone.getByLabel('The guide may publish this').check();
    await phone.getByRole('button', { name: 'Look it over' }).click();
  };
  const send = async (): Promise<void> => {
    await phone.getByText('This is what you are about to send').waitFor();
    await phone.waitForTimeout(LOOKS_IT_OVER_IN_MS);
    await phone.getByRole('button', { name: 'Send' }).click();
    await phone.waitForURL(/\/sent\//);
  };
  const openFirst = async (title: string, shows = 'What was sent', heap = ''): Promise<void> => {
    await inDesk(`/run/review${heap}`);
    await desk.page.getByRole('link', { name: title }).click();
    await desk.page.getByText(shows).waitFor();
  };
  /** Of what stands below the screen too, which isn't drawn yet. */
  const titles = async (area: Locator): Promise<string[]> =>
    (await area.locator('pl-card').getByRole('heading').allTextContents()).map((title) => title.trim());

  it(
    'sends a yard in, is told what is missing, corrects it by the mailed link, and finds it on three pages',
    async () => {
      await go('/tell-us');
      await phone.locator('h1').first().tap();
      await next();
      await phone.getByText('What is it called? is required.').first().waitFor();
      await fill('Petrel Yard', '01234 555 019');
      expect(await accessibilityFaults(phone)).toEqual([]);
      await send();
      expect(await phone.locator('.state').innerText()).toBe('“Petrel Yard” has come in.');
      expect((await phone.goto(site('/boatyards/petrel-yard')))?.status()).toBe(404);

      await openFirst('Petrel Yard');
      expect(await accessibilityFaults(desk.page)).toEqual([]);
      await desk.page.getByLabel('What the sender is told').fill('What can they lift?');
      await desk.page.getByRole('button', { name: 'Return it with a reason' }).click();
      await desk.page.getByText('Nothing waits').waitFor();

      const [mail] = await mailsIn(desk.server.folder);
      expect([mail?.about, mail?.recipient]).toEqual(['submission-returned', 'ana@example.org']);
      await phone.goto(/http\S+\/sent\/\S+/.exec(mail!.text)![0]);
      await phone.getByText('What can they lift?').first().waitFor();
      await phone.getByText('Correct it', { exact: true }).tap();
      await phone.getByText('Step 1 of 4').waitFor();
      await phone.getByLabel('Hull', { exact: true }).check();
      await phone.getByLabel('How much can they lift?').fill('12');
      for (let step = 0; step < 3; step++) await next();
      await phone.getByRole('button', { name: 'Look it over' }).click();
      await send();

      await openFirst('Petrel Yard');
      await desk.page.getByText('12 t').waitFor();
      await desk.page.getByRole('button', { name: 'Accept it' }).click();
      await desk.page.getByText('Nothing waits').waitFor();
      await go('/');
      const area = phone.locator('section', { hasText: 'Newest from you' });
      expect((await titles(area))[0]).toBe('Petrel Yard');
      expect(await area.locator('pl-card').count()).toBe(4);
      await go('/boatyards?q=petrel');
      await phone.getByRole('link', { name: 'Petrel Yard' }).first().waitFor();
      await go('/boatyards/petrel-yard');
      expect(await phone.locator('h1').innerText()).toBe('Petrel Yard');
      expect(await phone.locator('main').innerText()).toContain('12 t');
    },
    MINUTES,
  );

  it(
    'sends in what is there already, which is merged, and says that something is wrong with it',
    async () => {
      await fill('The Petrel Yard', '+44 1234 555019');
      await send();
      await openFirst('The Petrel Yard');
      await desk.page.getByText('called alike, the same telephone number').waitFor();
      await desk.page.getByLabel('Take What is it called?').uncheck();
      await desk.page
        .getByRole('button', { name: /^Add \d values? to it$/ })
        .first()
        .click();
      await desk.page.getByText('Nothing waits').waitFor();
      await go('/boatyards/petrel-yard');
      expect(await phone.locator('h1').innerText()).toBe('Petrel Yard');
      expect((await phone.goto(site('/boatyards/the-petrel-yard')))?.status()).toBe(404);
      await go('/boatyards/petrel-yard');
      const tellThatTheyClosed = async (): Promise<void> => {
        await go('/boatyards/petrel-yard');
        const begun = phone.waitForResponse(/\/tell\/\d+\/look$/);
        await phone.getByText('Something is wrong here').tap();
        await phone.getByLabel('What is wrong?').first().fill('They closed last week.');
        await phone.getByLabel('Your e-mail address').first().fill('ben@example.org');
        await begun;
        await phone.waitForTimeout(LOOKS_IT_OVER_IN_MS);
        await phone.getByRole('button', { name: 'Tell the office' }).first().click();
        await phone.waitForURL(/\/sent\//);
      };
      await tellThatTheyClosed();
      await phone.getByText('They closed last week.').first().waitFor();
      expect(await phone.locator('.state').innerText()).toBe('Your message about “Petrel Yard” has come in.');
      expect(await accessibilityFaults(phone)).toEqual([]);
      await openFirst('Petrel Yard', 'They closed last week.');
      await tellThatTheyClosed();
      await openFirst('Petrel Yard', 'The same texts were sent in before', '?heap=suspected');
    },
    MINUTES,
  );

  it(
    'without scripts answers a sum instead, and withdraws what was sent',
    async () => {
      const plain = await openPage(desk.browser, { viewport: PHONE, javaScriptEnabled: false });
      await plain.goto(site('/tell-us'));
      await plain.getByLabel('What is it called?').fill('Tern Yard');
      await plain.getByRole('group', { name: 'Their shed' }).getByLabel('Length').fill('24');
      await plain.getByLabel('Your e-mail address').fill('ben@example.org');
      await plain.getByLabel('The guide may publish this').check();
      await plain.getByRole('button', { name: 'Look it over' }).click();
      expect(await plain.locator('.summary').innerText()).toContain('Length 24 m');
      await plain.getByLabel(/how much is/).fill('99');
      await plain.getByRole('button', { name: 'Send' }).click();
      await plain.locator('.summary').getByText('The sum is not right. Try again.').waitFor();
      const sum = await plain.getByText('how much is').innerText();
      const words = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
      const [, a = '', b = ''] = /is (\w+) plus (\w+)/.exec(sum) ?? [];
      await plain.getByLabel(/how much is/).fill(String(words.indexOf(a) + words.indexOf(b) + 2));
      await plain.waitForTimeout(LOOKS_IT_OVER_IN_MS);
      await plain.getByRole('button', { name: 'Send' }).click();
      expect(await plain.locator('.state').innerText()).toBe('“Tern Yard” has come in.');
      await plain.getByRole('button', { name: 'Withdraw it' }).click();
      expect(await plain.locator('.state').innerText()).toBe('You have withdrawn “Tern Yard”.');
      expect(phone.complaints).toEqual([]);
    },
    MINUTES,
  );
});
