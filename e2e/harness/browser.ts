import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import type { Browser, BrowserContextOptions, Page } from 'playwright-core';
import { chromium } from 'playwright-core';

export const WIDE = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

/** Debian's Chromium, or the one that is named. */
export const CHROMIUM = process.env['CHROME_BIN'] ?? '/usr/bin/chromium';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
}

/** A new page that remembers what its console complains of. */
export async function openPage(
  browser: Browser,
  options: BrowserContextOptions = {},
): Promise<Page & { complaints: string[] }> {
  const context = await browser.newContext({ viewport: WIDE, ...options });
  const page = Object.assign(await context.newPage(), { complaints: [] as string[] });
  // Two files of specs run at a time, on machines that others use too.
  page.setDefaultTimeout(30_000);
  page.on('pageerror', (error) => page.complaints.push(String(error)));
  page.on('console', (message) => {
    // A refusal that is shown to the person is also a failed request in the console.
    const isRefusal = message.text().startsWith('Failed to load resource');
    if (message.type() === 'error' && !isRefusal) page.complaints.push(message.text());
  });
  return page;
}

const NOTICE_SETTLES_IN_MS = 500;

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeResult {
  readonly violations: readonly { readonly id: string; readonly nodes: readonly { readonly html: string }[] }[];
}

/**
 * Lays out what is far down, as it is when somebody comes near. Until then it stands in a room of a guessed height, out of which
 * it hangs over what follows, where nobody sees either.
 */
function layOutAll(): void {
  document.querySelectorAll<HTMLElement>('*').forEach((part) => {
    if (getComputedStyle(part).contentVisibility === 'auto') part.style.contentVisibility = 'visible';
  });
}

/** What axe-core finds wrong by WCAG 2.2 AA, each with its first place. */
export async function accessibilityFaults(page: Page): Promise<string[]> {
  // A notice hides its text from readers for a moment before it is announced.
  await page.waitForTimeout(NOTICE_SETTLES_IN_MS);
  await page.evaluate(layOutAll);
  // Evaluated by the browser's own means, which the page's content security policy doesn't reach.
  await page.evaluate(axeSource);
  const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
  const run = `axe.run(document, { runOnly: ${JSON.stringify(tags)} })`;
  const { violations } = (await page.evaluate(run)) as AxeResult;
  return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 200)}`);
}
