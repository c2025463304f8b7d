import { cardLinks } from '../harness/card-links.js';
import { TestServer } from '../harness/server.js';

/** Pages of every sort of the demo, in several states. */
const PAGES = [
  ...['/', '/berths', '/harbours', '/boatyards', '/courses', '/instructors', '/lists/refuel-and-stay', '/nowhere'],
  ...['/channels-and-lights', '/guides/ten-quiet-nights', '/about', '/boatyards/rigging'],
  ...['/berths?facility=water&sort=title&page=2', '/berths?q=quay', '/berths?price=10..20', '/berths?q=zzzz'],
  ...['/courses?shown=72', '/boatyards?services=rigging', '/harbours?near=port-merrow&near-within=10'],
];

/** Without what is of one moment or one rendering, and the space between elements, which nobody sees. */
function steady(html: string): string {
  // Angular numbers templates in the order in which a thread first meets them, whichever page that is on.
  const numbers = new Map<string, number>();
  const numbered = (id: string): number => numbers.get(id) ?? numbers.set(id, numbers.size).size - 1;
  return html
    .replace(/"t\d+"/g, (id) => `"t-${numbered(id)}"`)
    .replace(/<!doctype html>\s*/i, '')
    .replace(/"now":"[^"]+"/g, '')
    .replace(/>\s+</g, '><');
}

/** Tells where two pages begin to differ, as a whole page says nothing to a reader. */
function expectSame(path: string, ours: string, theirs: string): void {
  const [one, other] = [steady(ours), steady(theirs)];
  let at = 0;
  while (at < one.length && one[at] === other[at]) at++;
  const around = (html: string): string => html.slice(Math.max(0, at - 80), at + 120);
  expect(around(one)).withContext(path).toBe(around(other));
}

describe('Pages rendered into the quick document', () => {
  let quick: TestServer;
  let plain: TestServer;

  beforeAll(async () => {
    [quick, plain] = await Promise.all([
      TestServer.startDemo(),
      TestServer.startDemo({ PLINDO_PLAIN_RENDERING: 'yes' }),
    ]);
  }, 120_000);
  afterAll(() => Promise.all([quick.stop(), plain.stop()]));

  const htmlOf = async (server: TestServer, path: string): Promise<string> =>
    (await fetch(server.address + path)).text();

  it('are the same, letter by letter, as those rendered into the server DOM of Angular', async () => {
    const listings: string[] = [];
    for (const path of PAGES) {
      const [ours, theirs] = [await htmlOf(quick, path), await htmlOf(plain, path)];
      expect(ours.length).withContext(path).toBeGreaterThan(2000);
      expectSame(path, ours, theirs);
      listings.push(...cardLinks(ours).slice(0, 4));
    }
    expect(listings.length).toBeGreaterThan(20);
    for (const path of new Set(listings)) {
      expectSame(path, await htmlOf(quick, path), await htmlOf(plain, path));
    }
  }, 120_000);
});
