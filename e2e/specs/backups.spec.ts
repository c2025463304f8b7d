import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { accessibilityFaults } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { TestServer } from '../harness/server.js';

describe('Backups', () => {
  let demo: DemoDesk;
  let page: Page & { complaints: string[] };
  let aside: string;

  beforeAll(async () => {
    demo = await DemoDesk.open();
    page = demo.page;
    aside = mkdtempSync(join(tmpdir(), '.plindo-e2e-'));
  }, 120_000);
  afterAll(async () => {
    await demo.close();
    rmSync(aside, { recursive: true, force: true });
  });

  it('are made every night and by hand, fetched, and serve elsewhere', async () => {
    await page.goto(`${demo.server.address}/desk/run`);
    await page.getByRole('link', { name: 'Backups' }).click();
    await page.getByRole('button', { name: 'Make a backup every night' }).click();
    await page.getByLabel('How many backups are kept').selectOption('14');
    await page.getByText('Changed when backups are made').waitFor();
    await page.getByRole('button', { name: 'Make one now' }).click();
    const fetchLink = page.getByRole('link', { name: /^Fetch the backup/ });
    await fetchLink.waitFor();
    await page.getByText('restored and compared').waitFor();
    expect(await accessibilityFaults(page)).toEqual([]);
    const [download] = await Promise.all([page.waitForEvent('download'), fetchLink.click()]);
    const zip = join(aside, download.suggestedFilename());
    await download.saveAs(zip);

    const folder = join(aside, 'restored');
    const env = { ...process.env, PLINDO_DATA: folder };
    const run = (...command: string[]): { status: number | null; said: string } => {
      const { status, stdout, stderr } = spawnSync(process.execPath, ['server/dist/start/safekeeping.js', ...command], {
        env,
      });
      return { status, said: String(stdout) + String(stderr) };
    };
    expect(run('restore', zip)).toEqual({
      status: 0,
      said: jasmine.stringMatching(/Everything is in/) as unknown as string,
    });
    expect(run('check').said).toContain('Nothing is wrong.');
    expect(run('restore', zip)).toEqual({
      status: 1,
      said: jasmine.stringMatching(/is not empty/) as unknown as string,
    });
    const there = await TestServer.start(folder);
    const html = await (await fetch(`${there.address}/harbours`)).text();
    expect(html).toContain('Greyfin Marina');
    await there.kill();
    expect(page.complaints).toEqual([]);
  }, 90_000);
});
