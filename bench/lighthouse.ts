import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../e2e/harness/browser.js';
import { cardLinks } from '../e2e/harness/card-links.js';
import { TestServer } from '../e2e/harness/server.js';
import { askRaw } from './hammer.js';
import type { Benchmark, Measurement } from './measure.js';
import { median } from './measure.js';

const FOLDER = join(import.meta.dirname, 'lighthouse');
const CLI = join(FOLDER, 'node_modules/lighthouse/cli/index.js');
const CATEGORIES = ['performance', 'accessibility', 'best-practices', 'seo'] as const;
const AS_BROWSERS = { 'Accept-Encoding': 'gzip, deflate, br, zstd' };
const TURNS = 5;
const TRIES = 3;
const GOOD_PERFORMANCE = 95;
const PERFECT = 100;
/** Milliseconds that the page may be blocked, and until its largest part is there; how far anything may shift; bytes. */
const BOUNDS = { blocked: 100, largest: 1800, shift: 0.02, script: 110_000 };

/** What of a report is looked at. */
interface Report {
  readonly categories: Readonly<Record<string, { readonly score: number }>>;
  readonly audits: Readonly<
    Record<string, { readonly score: number | null; readonly numericValue?: number } & Details>
  >;
}
interface Details {
  readonly details?: { readonly items?: readonly { resourceType?: string; transferSize?: number }[] };
}

/** Lighthouse's verdict of pages of the demo on a phone, and what asks for it; medians of five turns. */
export const lighthouseBench: Benchmark = {
  about: 'Lighthouse of pages of the demo on a phone; installs it when it is first run',
  sizes: [TURNS],
  async run(turns) {
    install();
    const server = await TestServer.startDemo();
    try {
      const [listing] = cardLinks((await askRaw(server.address, '/berths', {})).body.toString());
      const paths = ['/', '/berths', listing!, '/boatyards', '/harbours'];
      const reports = new Map(paths.map((path): [string, Report[]] => [path, []]));
      // The second visitor finds a kept page, compressed as well as it will be.
      for (const path of paths) {
        for (let visit = 0; visit < 3; visit++) await askRaw(server.address, path, AS_BROWSERS);
      }
      // In turn, so that a minute in which the machine has other work doesn't fall on one page alone.
      for (let turn = 0; turn < turns; turn++) {
        for (const path of paths) reports.get(path)!.push(reportOf(server.address + path, TRIES));
      }
      return paths.flatMap((path) => rowsOf(path, turns, reports.get(path)!));
    } finally {
      await server.stop();
    }
  },
};

function install(): void {
  if (existsSync(CLI)) return;
  console.log('Installing Lighthouse; this takes a minute once.');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    ...{ cwd: FOLDER, stdio: 'inherit' },
  });
  if (status !== 0) throw new Error('Lighthouse could not be installed.');
}

/** Chromium does not always tell all that Lighthouse asks for; then it is asked again. */
function reportOf(url: string, tries: number): Report {
  const folder = mkdtempSync(join(tmpdir(), 'plindo-lighthouse-'));
  const file = join(folder, 'report.json');
  try {
    const options = ['--quiet', '--output=json', `--output-path=${file}`, '--chrome-flags=--headless=new --no-sandbox'];
    const only = `--only-categories=${CATEGORIES.join(',')}`;
    const env = { ...process.env, CHROME_PATH: CHROMIUM, NO_UPDATE_NOTIFIER: '1' };
    const { status, stderr } = spawnSync(process.execPath, [CLI, url, ...options, only], { env, encoding: 'utf8' });
    if (status !== 0 && tries > 1) return reportOf(url, tries - 1);
    if (status !== 0) throw new Error(`Lighthouse failed at ${url}: ${stderr}`);
    return JSON.parse(readFileSync(file, 'utf8')) as Report;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function rowsOf(path: string, n: number, reports: readonly Report[]): Measurement[] {
  const row = (name: string, ours: number, more: Partial<Measurement>): Measurement => ({
    ...{ case: `${path} ${name}`, n, oursMs: ours, hold: null, equal: true, reference: 'asked', referenceMs: ours },
    ...more,
    ratio: ours / (more.referenceMs ?? ours),
  });
  const most = (name: string, of: (report: Report) => number, bound: number, unit: Measurement['unit']): Measurement =>
    row(name, median(reports.map(of)), { bound, referenceMs: bound, unit });
  const value = (audit: string) => (report: Report) => report.audits[audit]?.numericValue ?? NaN;
  const failed = reports.flatMap(({ audits }) => Object.entries(audits)).filter(([, { score }]) => score === 0);
  return [
    ...CATEGORIES.map((category) => {
      const least = category === 'performance' ? GOOD_PERFORMANCE : PERFECT;
      const scores = reports.map(({ categories }) => Math.round((categories[category]?.score ?? NaN) * 100));
      return row(category, median(scores), { least, referenceMs: least, unit: 'points' });
    }),
    most('blocked', value('total-blocking-time'), BOUNDS.blocked, 'ms'),
    most('largest part', value('largest-contentful-paint'), BOUNDS.largest, 'ms'),
    most('shift', value('cumulative-layout-shift'), BOUNDS.shift, ''),
    most('script', scriptBytes, BOUNDS.script, 'bytes'),
    row(`audits that failed: ${[...new Set(failed.map(([name]) => name))].join(', ') || 'none'}`, 0, { unit: '' }),
  ];
}

function scriptBytes({ audits }: Report): number {
  const items = audits['network-requests']?.details?.items ?? [];
  return items
    .filter(({ resourceType }) => resourceType === 'Script')
    .reduce((sum, { transferSize = 0 }) => sum + transferSize, 0);
}
