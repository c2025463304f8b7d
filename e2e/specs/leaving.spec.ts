import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { departuresTrial } from '../trials/departures.js';

const MINUTES = 2 * 60_000;
const DAY_IN_S = 86_400;

describe('Courses that begin', () => {
  const folder = mkdtempSync(join(tmpdir(), '.plindo-clock-'));
  const clock = join(folder, 'shift');
  let desk: DemoDesk;
  let page: DemoDesk['page'];
  let courses = 0;

  beforeAll(async () => {
    writeFileSync(clock, '0');
    desk = await DemoDesk.open({ PLINDO_CLOCK_SHIFT_FILE: clock });
    ({ page } = desk);
    const kinds = (await ask('/api/kinds')) as { kind: { id: number; slug: string } }[];
    courses = kinds.find(({ kind }) => kind.slug === 'courses')!.kind.id;
    // Days go by in seconds here; nobody is signed out for that.
    const status = await page.evaluate(async () => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
      const headers = { 'X-CSRF-Token': csrf, 'Content-Type': 'application/json' };
      const body = JSON.stringify({ idleHours: 336 });
      return (await fetch('/api/site', { method: 'PUT', headers, body })).status;
    });
    expect(status).toBe(200);
  }, MINUTES);

  afterAll(async () => {
    await desk.close();
    rmSync(folder, { recursive: true, force: true });
  });

  /** What the API answers to whoever is signed in. */
  const ask = (path: string): Promise<unknown> =>
    page.evaluate(async (url) => (await (await fetch(url)).json()) as unknown, path);
  const text = async (path: string): Promise<string> =>
    (await page.request.get(`${desk.server.address}${path}`)).text();
  const open = (path: string): Promise<unknown> =>
    page.goto(`${desk.server.address}/desk${path}`, { waitUntil: 'networkidle' });
  const total = async (path: string): Promise<number> => Number(/(\d+) courses?</.exec(await text(path))?.[1] ?? 0);

  it(
    'leave the site by themselves, join the past courses, and are told of, without anybody looking',
    async () => {
      const { listings } = (await ask(`/api/kinds/${courses}/listings?limit=200&offset=0`)) as {
        listings: { title: string; shownUntil: number | null; values: { meets: string } }[];
      };
      const before = Date.now();
      const until = before + 12 * DAY_IN_S * 1000;
      const leaving = listings.filter(({ shownUntil, values }) => {
        const at = shownUntil ?? Date.parse(values.meets);
        return at > before && at <= until;
      });
      expect(leaving.length).toBeGreaterThan(2);
      const [present, past] = [await total('/courses'), await total('/courses/past-courses')];
      expect(await text('/courses')).toContain(leaving[0]!.title);

      writeFileSync(clock, String(12 * DAY_IN_S));
      await page.waitForTimeout(1000);
      // Decided when it is read: a second later it is on no page, whatever the clock has done by then.
      expect(await total('/courses')).toBe(present - leaving.length);
      await waitFor(async () => (await total('/courses/past-courses')) === past + leaving.length);

      // The mail of the day tells of all of them.
      writeFileSync(clock, String(13 * DAY_IN_S));
      await waitFor(async () => {
        const { mails } = (await ask('/api/mails?q=notices+today')) as { mails: { id: number }[] };
        const told = await Promise.all(mails.map(({ id }) => ask(`/api/mails/${id}`) as Promise<{ text: string }>));
        return leaving.every(({ title }) => told.some((mail) => mail.text.includes(`${title} has left the site`)));
      });
      const log = (await ask('/api/changes')) as { who: string; sentence: string }[];
      const own = log.filter(({ who }) => who === 'Plindo, by the rule of Courses');
      expect(own[0]!.sentence).toContain('add Past courses to Archive');
    },
    MINUTES,
  );

  it(
    'are told of in the outbox, which reads like a mail program',
    async () => {
      await open('/run/outbox');
      await page
        .getByRole('button', { name: /leaves the site on/ })
        .first()
        .click();
      await page.getByRole('article', { name: 'The mail' }).getByText('To keep it longer').waitFor();
      await page.getByText('Formatted').click();
      await page.frameLocator('iframe').getByText('To keep it longer').waitFor();
      expect(await accessibilityFaults(page)).toEqual([]);
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Download as .eml' }).click(),
      ]);
      expect(download.suggestedFilename()).toMatch(/^mail-\d+\.eml$/);
    },
    MINUTES,
  );

  it(
    'have a page that says that they are over, for machines gone',
    async () => {
      await page.goto(`${desk.server.address}/courses/past-courses`);
      const card = page.locator('main a[href^="/courses/20"]').first();
      const answer = await page.request.get(`${desk.server.address}${(await card.getAttribute('href'))!}`);
      expect(answer.status()).toBe(410);
      await card.click();
      await page.getByText(/This course has been over since/).waitFor();
      page.complaints.length = 0;
    },
    MINUTES,
  );

  it(
    'follow another rule once somebody has seen what it does',
    async () => {
      await open(`/run/expiry/${courses}`);
      await page.getByLabel('At it, before or after').selectOption({ label: 'after' });
      await page.getByLabel('Unit of time').selectOption('week');
      await page.getByLabel('How much').fill('8');
      await page.getByLabel('How much').press('Tab');
      await page.getByText(/comes? back to the site/).waitFor();
      expect(await accessibilityFaults(page)).toEqual([]);
      const before = await total('/courses');
      await page.getByRole('button', { name: 'Save the rule' }).click();
      await page.getByText('Changed the rule of Courses').waitFor();
      await waitFor(async () => (await total('/courses')) > before);
      await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
      await waitFor(async () => (await total('/courses')) === before);
    },
    MINUTES,
  );

  it(
    'stand in the calendar, from which they are postponed',
    async () => {
      await open('/run/calendar');
      const first = page.locator('.what-leaves').first();
      await first.click();
      const panel = page.locator('pl-entry-panel');
      const title = (await panel.getByRole('link').first().textContent())!.trim();
      await panel.getByLabel('Days later').fill('10');
      await panel.getByRole('button', { name: 'Postpone them' }).click();
      await page.getByText(/10 days later/).waitFor();
      const { listings } = (await ask(`/api/kinds/${courses}/listings?limit=200&offset=0`)) as {
        listings: { title: string; shownUntil: number | null; values: { meets: string } }[];
      };
      const moved = listings.filter((one) => one.title === title && one.shownUntil !== null);
      expect(moved.length).toBeGreaterThan(0);
      // The same by dragging, to another day of the same week or the next.
      const dragged = page.locator('.what-leaves').first();
      const from = await page.locator('.fc-daygrid-day:has(.what-leaves)').first().getAttribute('data-date');
      const to = new Date(Date.parse(from!) + 8 * DAY_IN_S * 1000).toISOString().slice(0, 10);
      await dragged.dragTo(page.locator(`.fc-daygrid-day[data-date="${to}"]`));
      await page.getByText(/8 days later/).waitFor();
      await page.getByText('Table', { exact: true }).click();
      await page
        .getByRole('cell', { name: /leave the site/ })
        .first()
        .waitFor();
      expect(await accessibilityFaults(page)).toEqual([]);
      await page.getByLabel('How many days').fill('14');
      await page.getByRole('columnheader', { name: 'Would leave' }).waitFor();
    },
    MINUTES,
  );
});

describe('A server that is killed while listings leave', () => {
  it(
    'does each thing once to each of them',
    async () => {
      const { faults, listings } = await departuresTrial(4, 20_261_128);
      expect(faults).toEqual([]);
      expect(listings).toBeGreaterThan(500);
    },
    3 * MINUTES,
  );
});

async function waitFor(test: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 15_000; Date.now() < end;) {
    if (await test()) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('It did not happen in 15 seconds.');
}
