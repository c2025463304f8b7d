import { openPage } from '../harness/browser.js';
import { cardLinks } from '../harness/card-links.js';
import { DemoDesk } from '../harness/demo-desk.js';
import { DEMO_OWNER } from '../harness/desk.js';
import { TestServer } from '../harness/server.js';
import { Client } from '../trials/client.js';

const MINUTES = 3 * 60_000;
/** Views are written every two seconds, and pages that tell of them looked at again every ten. */
const SHOWN_AFTER_IN_MS = 13_000;
const SENDS_FOR_IN_MS = 8000;
const SENDS_EVERY_IN_MS = 50;
const LOST_IN_MS = 5000;

describe('The listings that visitors look at most', () => {
  let desk: DemoDesk;
  let visitor: Awaited<ReturnType<typeof openPage>>;

  beforeAll(async () => {
    desk = await DemoDesk.open();
    visitor = await openPage(desk.browser, { viewport: { width: 1280, height: 800 } });
  }, MINUTES);
  afterAll(() => desk.close());

  const most = async (): Promise<{ title: string; href: string }[]> => {
    await visitor.goto(`${desk.server.address}/`);
    const cards = visitor.locator('section', { hasText: 'Looked at most' }).locator('pl-card').getByRole('heading');
    return cards.evaluateAll((headings) =>
      headings.map((heading) => ({
        title: (heading.textContent ?? '').trim(),
        href: heading.querySelector('a')?.getAttribute('href') ?? '',
      })),
    );
  };
  /** So many visitors, each with a browser of their own, open a page. */
  const lookAt = async (path: string, count: number, robots = false): Promise<void> => {
    for (let at = 0; at < count; at++) {
      const agent = `Mozilla/5.0 (X11; Linux x86_64; rv:${at}.0) Gecko/20100101 Firefox/${at}.0`;
      const headers = { 'User-Agent': robots ? `Mozilla/5.0 (compatible; Somebot/${at}.0)` : agent };
      const answer = await fetch(desk.server.address + path, { headers });
      await answer.arrayBuffer();
      expect(answer.status).toBe(200);
    }
  };
  /** What the table of the Desk says, by title. */
  const inTable = async (): Promise<{ title: string; views: number }[]> => {
    const kinds = (await desk.page.evaluate(async () => (await fetch('/api/kinds')).json())) as {
      kind: { id: number; slug: string };
    }[];
    const { id } = kinds.find(({ kind }) => kind.slug === 'berths')!.kind;
    const path = `/api/kinds/${id}/listings?sort=@views&direction=down&limit=6`;
    const found = (await desk.page.evaluate(async (url) => (await fetch(url)).json(), path)) as {
      listings: { title: string; views: number }[];
    };
    return found.listings.map(({ title, views }) => ({ title, views }));
  };

  it(
    'change places on the home page after traffic, by as many views as there were visitors; robots change nothing',
    async () => {
      const before = await most();
      const counted = await inTable();
      expect(before.map(({ title }) => title)).toEqual(counted.slice(0, 4).map(({ title }) => title));
      const [, , third, fourth] = counted;
      const visitors = third!.views - fourth!.views + 5;
      await lookAt(before[2]!.href, 20, true);
      await lookAt(before[3]!.href, visitors);
      // The same visitors again, within half an hour.
      await lookAt(before[3]!.href, 10);
      await visitor.waitForTimeout(SHOWN_AFTER_IN_MS);
      const after = await most();
      expect(after.map(({ title }) => title)).toEqual([0, 1, 3, 2].map((at) => before[at]!.title));
      const now = await inTable();
      expect(now[2]).toEqual({ title: fourth!.title, views: fourth!.views + visitors });
      expect(now[3]).toEqual(third!);
      expect(visitor.complaints).toEqual([]);
    },
    MINUTES,
  );

  it(
    'are lost by no more than five seconds when the server is killed',
    async () => {
      const server = await TestServer.startDemo();
      const client = await Client.signedIn(server.address, DEMO_OWNER);
      const { id, path, before } = await someListing(client, server.address);
      const sentAt: number[] = [];
      for (const until = Date.now() + SENDS_FOR_IN_MS; Date.now() < until;) {
        const agent = `Mozilla/5.0 (X11; Linux x86_64; rv:${sentAt.length}.0) Gecko/20100101 Firefox/1.0`;
        await (await fetch(server.address + path, { headers: { 'User-Agent': agent } })).arrayBuffer();
        sentAt.push(Date.now());
        await new Promise((resolve) => setTimeout(resolve, SENDS_EVERY_IN_MS));
      }
      const killedAt = Date.now();
      await server.kill();
      const again = await TestServer.start(server.folder);
      const after = await viewsOf(await Client.signedIn(again.address, DEMO_OWNER), id);
      await again.stop();
      const mayBeLost = sentAt.filter((at) => at > killedAt - LOST_IN_MS).length;
      expect(after - before).toBeGreaterThanOrEqual(sentAt.length - mayBeLost);
      expect(after - before).toBeLessThanOrEqual(sentAt.length);
    },
    MINUTES,
  );
});

/** A berth with the path of its page and its views so far. */
async function someListing(client: Client, address: string): Promise<{ id: number; path: string; before: number }> {
  const [path = ''] = cardLinks(await (await fetch(`${address}/berths`)).text());
  const design = (await client.send('GET', `/api/page/design?url=${path}`)).json as { listingId: number };
  return { id: design.listingId, path, before: await viewsOf(client, design.listingId) };
}

async function viewsOf(client: Client, id: number): Promise<number> {
  return ((await client.send('GET', `/api/listings/${id}`)).json as { views: number }).views;
}
