import type { Locator, Page } from 'playwright-core';
import { DemoSite } from '../harness/demo-site.js';

/** Every control of a list by keys alone: nothing is clicked, nothing chosen but by what a key does on it. */
describe('The controls of a list by keyboard', () => {
  let site: DemoSite;

  beforeAll(async () => {
    site = await DemoSite.start();
  }, 120_000);

  afterAll(() => site.stop());

  /** Puts the focus on a control and presses keys there, then waits for the address that they lead to. */
  async function press(page: Page, control: Locator, keys: readonly string[], address: RegExp): Promise<void> {
    await control.focus();
    for (const key of keys) await page.keyboard.press(key);
    await page.waitForURL(address);
  }

  it('ticks, drop-down, yes or no behind its heading, sort choice and pages', async () => {
    const page = await site.open('/berths');
    await press(page, page.getByRole('combobox', { name: 'Harbour' }), ['ArrowDown'], /harbour=[a-z-]+$/);
    await press(page, page.getByRole('link', { name: /^Take back Harbour/ }), ['Enter'], /\/berths$/);
    await press(page, page.getByRole('checkbox', { name: /^Quay wall/ }), ['Space'], /type=quay-wall$/);
    await press(page, page.getByRole('checkbox', { name: /^Quay wall/ }), ['Space'], /\/berths$/);
    await page.locator('summary', { hasText: 'Services nearby' }).focus();
    await page.keyboard.press('Enter');
    const nearby = page.getByRole('group', { name: 'Services nearby' }).getByRole('checkbox').first();
    await press(page, nearby, ['Space'], /nearby=(yes|no)$/);
    await press(page, page.getByRole('combobox', { name: 'Sort by' }), ['ArrowDown'], /sort=/);
    await press(page, page.getByRole('link', { name: 'Clear all' }).last(), ['Enter'], /\/berths(\?sort=[a-z-]+)?$/);
    await press(page, page.getByRole('link', { name: 'Next' }), ['Enter'], /page=2/);
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('a tree, stars and letters', async () => {
    const page = await site.open('/boatyards');
    const branch = page.getByRole('button', { name: 'What lies under Hull' });
    await branch.focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'What lies under Hull', expanded: true }).waitFor();
    await press(page, page.getByRole('checkbox', { name: /^Osmosis treatment/ }), ['Space'], /services=osmosis/);
    await press(page, page.getByRole('checkbox', { name: /^Osmosis treatment/ }), ['Space'], /\/boatyards$/);
    const stars = page.getByRole('group', { name: 'Our rating' }).getByRole('radio');
    await press(page, stars.first(), ['ArrowDown'], /rating=5\.\./);
    await press(page, stars.nth(1), ['ArrowUp'], /\/boatyards$/);
    await press(
      page,
      page.getByRole('group', { name: 'First letter' }).getByRole('checkbox').first(),
      ['Space'],
      /letter=/,
    );
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);

  it('months, days, headings to jump to, and more in place, which keeps the focus', async () => {
    const page = await site.open('/courses');
    await press(
      page,
      page.getByRole('navigation', { name: 'Go to a date' }).getByRole('link').nth(1),
      ['Enter'],
      /#group-/,
    );
    await page.goto('/courses', { waitUntil: 'networkidle' });
    const more = page.getByRole('link', { name: /^Show \d+ more$/ });
    await press(page, more, ['Enter'], /shown=36/);
    await page.waitForFunction(() => document.querySelectorAll('pl-card').length > 18);
    expect(await page.evaluate(() => document.activeElement?.closest('pl-card, pl-pager') !== null)).toBeTrue();
    await press(
      page,
      page.getByRole('group', { name: 'When' }).getByRole('link').first(),
      ['Enter'],
      /start=\d{4}-\d{2}$/,
    );
    await press(page, page.getByRole('link', { name: /^Take back When/ }), ['Enter'], /\/courses$/);
    await page.getByLabel('When from').fill('2031-01-01');
    await press(page, page.getByLabel('When from'), ['Enter'], /start=2031-01-01\.\.$/);
    await press(page, page.getByRole('group', { name: 'Level' }).getByRole('checkbox').first(), ['Space'], /level=/);
    expect(page.complaints).toEqual([]);
    await page.context().close();
  }, 60_000);
});
