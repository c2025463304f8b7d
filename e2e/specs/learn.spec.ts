import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { accessibilityFaults, openPage, PHONE, WIDE } from '../harness/browser.js';
import { DemoDesk } from '../harness/demo-desk.js';
import type { Played } from '../harness/played-record.js';
import { countOver, playedRecord } from '../harness/played-record.js';

const MINUTES = 4 * 60_000;
const DAY_IN_MS = 86_400_000;
/** Searches settle after two and a half seconds. */
const SETTLED_IN_MS = 3000;
/** The one that runs the specs calls itself a robot. */
const PHONE_BROWSER =
  'Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36';
/** For a second after a change visitors may see a list as it was. */
const SEEN_IN_MS = 1500;
const PAGES = ['', '/views', '/ways', '/choices', '/searches', '/incoming', '/designs'];
/** What the lists of the demo are called, by the first part of their addresses. */
const LISTS: Readonly<Record<string, string>> = {
  ...{ berths: 'Berths', courses: 'Courses', boatyards: 'Boatyards', harbours: 'Harbours', instructors: 'Instructors' },
};

/** The cells of a file that has no line breaks in cells (RFC 4180), without its first line. */
function cellsOf(csv: string): string[][] {
  const lines = csv.trim().split('\r\n').slice(1);
  return lines.map((line) =>
    Array.from(line.matchAll(/(?:^|,)(?:"((?:[^"]|"")*)"|([^,]*))/g), ([, quoted, plain]) =>
      quoted === undefined ? (plain ?? '') : quoted.replaceAll('""', '"'),
    ),
  );
}

describe('Learn, with the numbers of the demo', () => {
  let desk: DemoDesk;
  let record: Played[];
  let days: { from: number; to: number };

  beforeAll(async () => {
    desk = await DemoDesk.open();
    record = playedRecord(desk.server);
    const last = Math.max(...record.map(({ day }) => day));
    days = { from: last - 29, to: last };
  }, MINUTES);
  afterAll(() => desk.close());

  const dateOf = (day: number): string => new Date(day * DAY_IN_MS).toISOString().slice(0, 10);
  const own = (): string => `?span=own&from=${dateOf(days.from)}&to=${dateOf(days.to)}`;
  const open = async (group: string, query = own()): Promise<void> => {
    await desk.page.goto(`${desk.server.address}/desk/learn${group}${query}`);
    await desk.page.getByText(', beside ').waitFor();
  };
  /** A table of the page that is open, as its button saves it. */
  const saved = async (title: string): Promise<string[][]> => {
    const download = desk.page.waitForEvent('download');
    await desk.page.getByRole('button', { name: `Save as CSV: ${title}`, exact: true }).click();
    return cellsOf(readFileSync(await (await download).path(), 'utf8'));
  };
  /** Numbers of a table by what its other cells say; those that are 0 are left out. */
  const numbers = (rows: string[][], names: readonly number[], at: number): Record<string, number> =>
    Object.fromEntries(
      rows
        .map((row) => [names.map((name) => row[name]).join(' | '), Number(row[at])] as const)
        .filter(([, n]) => n > 0),
    );
  /** How many listings the site finds, as a robot is told, which counts nowhere. */
  const totalAt = async (path: string): Promise<number> => {
    const asked = `${desk.server.address}/api/page?${new URLSearchParams({ url: path })}`;
    const text = await (await fetch(asked, { headers: { 'User-Agent': 'curl/8' } })).text();
    return Number(/"type":"count","total":(\d+)/.exec(text)![1]);
  };
  const counted = (thingsOf: (one: Played) => readonly string[]): Record<string, number> =>
    countOver(record, days, thingsOf);

  it(
    'tells the same as a count over what the played visitors wrote down themselves',
    async () => {
      await open('/views');
      const viewed = (one: Played): boolean => one.listing !== undefined;
      const listOf = ({ path }: Played): string => LISTS[path.split('/')[1]!] ?? '';
      const daily = numbers(await saved('Views over time'), [0], 1);
      const perDay: Record<string, number> = {};
      for (let day = days.from; day <= days.to; day++) {
        const one = countOver(record, { from: day, to: day }, (visit) => (viewed(visit) ? [`${visit.listing}`] : []));
        perDay[dateOf(day)] = Object.values(one).reduce((sum, views) => sum + views, 0);
      }
      expect(daily).toEqual(perDay);
      const perListing = counted((visit) => (viewed(visit) ? [`${visit.listing}`] : []));
      const shown = (await desk.page.evaluate(
        async (asked) => (await fetch(`/api/learn?${asked}`)).json(),
        `from=${dateOf(days.from)}&to=${dateOf(days.to)}`,
      )) as { tables: { key: string; rows: { listing: number; cells: (string | number)[] }[] }[] };
      const rows = shown.tables.find(({ key }) => key === 'most-viewed')!.rows;
      expect(Object.fromEntries(rows.map(({ listing, cells }) => [`${listing}`, cells[2]]))).toEqual(perListing);

      await open('/ways');
      const pages = numbers(await saved('Pages'), [0], 1);
      const ofPages = counted((visit) => (viewed(visit) ? [] : [visit.path]));
      expect(Object.fromEntries(Object.entries(pages).filter(([path]) => !path.endsWith('/…')))).toEqual(ofPages);
      const berths = record.filter((visit) => listOf(visit) === 'Berths' && viewed(visit));
      const ofBerths = countOver(berths, days, ({ listing }) => [`${listing}`]);
      expect(pages['/berths/…']).toBe(Object.values(ofBerths).reduce((sum, views) => sum + views, 0));
      const arrivals = counted(({ from }) => (from === null ? [] : [from || 'No site, or not told']));
      expect(numbers(await saved('Where people come from'), [0], 1)).toEqual(arrivals);

      await open('/choices');
      const used = counted(({ list, chosen = [] }) => chosen.map(([facet]) => `${list} ${facet}`));
      const facets = numbers(await saved('Facets that people use'), [0, 1], 2);
      expect(facets['Type | Berths']).toBe(used['berths type']!);
      expect(facets['Price a night | Berths']).toBe(used['berths price']!);
      expect(facets['Level | Courses']).toBe(used['courses level']!);
      expect(Object.values(facets).sort()).toEqual(Object.values(used).sort());
      const values = numbers(await saved('Values that people choose'), [0, 1, 2], 3);
      const pontoons = counted(({ list, chosen = [] }) =>
        chosen.filter(([, value]) => value === 'finger-pontoon').map(() => list ?? ''),
      );
      expect(values['Finger pontoon | Type | Berths']).toBe(pontoons['berths']!);
      const sorts = counted(({ list, sort }) => (sort === undefined ? [] : [`${list} ${sort}`]));
      const chosen = numbers(await saved('Orders that people choose'), [0, 1], 2);
      expect(Object.values(chosen).sort()).toEqual(Object.values(sorts).sort());
      expect(chosen['Price a night, lowest first | Berths']).toBe(sorts['berths price-up']!);

      await open('/searches');
      const searches = counted(({ list, words, isTyping }) =>
        words === undefined || isTyping ? [] : [`${words} | ${LISTS[list!]}`],
      );
      expect(numbers(await saved('Searches'), [0, 1], 2)).toEqual(searches);
      const missed: Record<string, number> = {};
      for (const [search, times] of Object.entries(searches)) {
        const [words, list] = search.split(' | ');
        if ((await totalAt(`/${list!.toLowerCase()}?${new URLSearchParams({ q: words! })}`)) === 0)
          missed[search] = times;
      }
      expect(Object.keys(missed).length).toBeGreaterThan(3);
      expect(numbers(await saved('Searches that found nothing'), [0, 1], 2)).toEqual(missed);
      expect(desk.page.complaints).toEqual([]);
    },
    MINUTES,
  );

  it(
    'leads from a search that found nothing to a word that is found, and back',
    async () => {
      const visitor = `${desk.server.address}/boatyards?q=gantry`;
      const found = async (): Promise<boolean> => {
        await desk.page.waitForTimeout(SEEN_IN_MS);
        return (await totalAt('/boatyards?q=gantry')) > 0;
      };
      const step = desk.page.locator('.steps li', { hasText: 'searched Boatyards for “gantry”' });
      const people = async (): Promise<number> => Number.parseInt(await step.innerText(), 10);
      await open('', '');
      const before = await people();
      for (let at = 0; at < 5; at++) {
        const agent = `Mozilla/5.0 (X11; Linux x86_64; rv:${at}.0) Gecko/20100101 Firefox/${at}.0`;
        const senders: Record<string, string>[] = [{ 'User-Agent': agent }, { 'User-Agent': agent, DNT: '1' }];
        for (const headers of [...senders, { 'User-Agent': 'curl/8' }]) {
          await (await fetch(visitor, { headers })).arrayBuffer();
        }
      }
      await desk.page.waitForTimeout(SETTLED_IN_MS);
      await open('', '');
      expect(await people()).toBe(before + 5);
      expect(await found()).toBeFalse();
      await step.getByRole('button', { name: 'Say what it means' }).click();
      await desk.page.getByLabel('It means', { exact: true }).fill('slip');
      await desk.page.getByText(/It will find \d+ boatyards\./).waitFor();
      expect(await accessibilityFaults(desk.page)).toEqual([]);
      await desk.page.getByRole('button', { name: 'Add the word' }).click();
      await desk.page.getByText('“gantry” finds what “slip” finds').waitFor();
      expect(await found()).toBeTrue();
      await desk.page.getByRole('button', { name: 'Undo', exact: true }).last().click();
      await desk.page.getByText('Undone').waitFor();
      expect(await found()).toBeFalse();
    },
    MINUTES,
  );

  it(
    'takes off a facet that nobody uses, lets a listing stay longer, and features what rises',
    async () => {
      await open('', '');
      const unused = desk.page.locator('.steps li', { hasText: 'Nobody used the facet' }).first();
      const [, facet, list] = /the facet “(.+)” in [\d,]+ visits to (.+)\./.exec(await unused.innerText())!;
      const listPage = async (): Promise<string> => {
        await desk.page.waitForTimeout(SEEN_IN_MS);
        return (
          await fetch(`${desk.server.address}/${list!.toLowerCase()}`, { headers: { 'User-Agent': 'curl/8' } })
        ).text();
      };
      const summary = new RegExp(`<(?:summary|legend)[^>]*>[^<]*${facet}`);
      const wasThere = summary.test(await listPage());
      await unused.getByRole('button', { name: 'Take the facet off' }).click();
      await desk.page.getByText(`Took the facet ${facet} off`).waitFor();
      await unused.filter({ hasText: facet! }).waitFor({ state: 'detached' });
      expect(wasThere).withContext(facet!).toBeTrue();
      expect(summary.test(await listPage())).toBeFalse();

      const leaving = desk.page.locator('.steps li', { hasText: ' leaves ' }).first();
      const title = /“(.+)” leaves/.exec(await leaving.innerText())![1]!;
      await leaving.getByRole('button', { name: 'Let it stay longer' }).click();
      await desk.page.getByRole('radio', { name: 'never by itself' }).click();
      expect(await accessibilityFaults(desk.page)).toEqual([]);
      await desk.page.getByRole('button', { name: 'Save', exact: true }).click();
      await desk.page.getByText(`Changed when ${title} leaves`).waitFor();
      await leaving.filter({ hasText: title }).waitFor({ state: 'detached' });

      const rising = desk.page.locator('.steps li', { hasText: ' was looked at ' }).getByRole('button', {
        name: 'Feature it',
      });
      if ((await rising.count()) > 0) {
        await rising.first().click();
        await desk.page.locator('mat-snack-bar-container', { hasText: /Featured / }).waitFor();
      }
      expect(desk.page.complaints).toEqual([]);
    },
    MINUTES,
  );

  it(
    'goes from a listing to its views over time, keeps what is asked in the address, and is in reach of everybody',
    async () => {
      await open('/views');
      await desk.page
        .getByRole('button', { name: /^Over time: / })
        .first()
        .click();
      await desk.page.getByRole('heading', { name: /^Views of .+ over time$/ }).waitFor();
      await desk.page.getByLabel('Beside').selectOption({ label: 'a year before' });
      await desk.page.waitForURL(/against=year/);
      await desk.page.reload();
      await desk.page.getByRole('heading', { name: /^Views of .+ over time$/ }).waitFor();
      await desk.page.getByRole('button', { name: 'Show the views of all listings' }).click();
      await desk.page.getByRole('heading', { name: 'Views over time', exact: true }).waitFor();
      for (const size of [WIDE, PHONE]) {
        await desk.page.setViewportSize(size);
        for (const page of PAGES) {
          await open(page, '');
          expect(await accessibilityFaults(desk.page))
            .withContext(page)
            .toEqual([]);
          expect(await widthOf(desk.page))
            .withContext(page)
            .toBeLessThanOrEqual(size.width);
        }
      }
      expect(desk.page.complaints).toEqual([]);
    },
    MINUTES,
  );
});

describe('Learn, of a site that nobody has looked at', () => {
  it(
    'says so, and what will stand there',
    async () => {
      const desk = await DemoDesk.empty();
      const phone = await openPage(desk.browser, { viewport: PHONE, userAgent: PHONE_BROWSER });
      try {
        for (const page of PAGES) {
          await desk.page.goto(`${desk.server.address}/desk/learn${page}`);
          await desk.page.getByRole('heading', { name: 'Nobody has looked yet' }).waitFor();
          expect(await accessibilityFaults(desk.page))
            .withContext(page)
            .toEqual([]);
        }
        await phone.goto(desk.server.address);
        await desk.page.goto(`${desk.server.address}/desk/learn/ways`);
        await desk.page.getByRole('cell', { name: '/', exact: true }).waitFor();
        expect(desk.page.complaints).toEqual([]);
      } finally {
        await desk.close();
      }
    },
    MINUTES,
  );
});

async function widthOf(page: Page): Promise<number> {
  return page.evaluate(() => document.documentElement.scrollWidth);
}
