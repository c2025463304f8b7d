import { randomBytes } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import { request } from 'node:https';
import type { IncomingHttpHeaders } from 'node:http';
import { brotliDecompressSync } from 'node:zlib';
import type { Browser, Page } from 'playwright-core';
import { openBrowser } from '../harness/browser.js';
import { DEMO_OWNER } from '../harness/desk.js';
import { Nginx } from '../harness/nginx.js';
import { TestServer } from '../harness/server.js';

interface Answer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly body: Buffer;
}

describe('Behind nginx with HTTPS', () => {
  let nginx: Nginx;
  let server: TestServer;
  let browser: Browser;
  let address: string;
  let page: Page;

  beforeAll(async () => {
    const ports = await Nginx.ports();
    address = `https://localhost:${ports[0]}`;
    server = await TestServer.startDemo({ PLINDO_TRUST_PROXY: '1', PLINDO_ADDRESS: address });
    nginx = await Nginx.start(ports, server.listensOn);
    browser = await openBrowser();
    page = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage();
    await page.goto(`${address}/desk/`);
    await page.getByLabel('E-mail').fill(DEMO_OWNER.email);
    await page.getByLabel('Password').fill(DEMO_OWNER.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL('**/desk/shape');
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await nginx.stop();
    await server.stop();
  });

  const ask = (path: string, headers: Record<string, string> = {}, body?: string): Promise<Answer> =>
    new Promise((resolve, reject) => {
      const options = { method: body === undefined ? 'GET' : 'POST', headers, rejectUnauthorized: false };
      const sent = request(address + path, options, (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, headers: response.headers, body: Buffer.concat(parts) }),
        );
      });
      sent.once('error', reject);
      sent.end(body);
    });
  const signIn = (forwarded: string): Promise<Answer> =>
    ask(
      '/api/session',
      { 'Content-Type': 'application/json', 'X-Forwarded-For': forwarded },
      JSON.stringify(DEMO_OWNER),
    );

  it('gives packed pages that say to stay with HTTPS, under the public address', async () => {
    const { status, headers, body } = await ask('/harbours', { 'Accept-Encoding': 'br' });
    expect([status, headers['content-encoding'], headers['strict-transport-security']]).toEqual([
      ...[200, 'br', 'max-age=31536000'],
    ]);
    const html = brotliDecompressSync(body).toString();
    expect(html).toContain(`<link rel="canonical" href="${address}/harbours"`);
    const again = await ask('/harbours', { 'Accept-Encoding': 'br' });
    expect([again.status, again.headers['strict-transport-security']]).toEqual([200, 'max-age=31536000']);
    const sitemap = await ask('/sitemap.xml');
    expect(sitemap.body.toString()).toContain(`${address}/`);
  }, 60_000);

  it('leads from HTTP to HTTPS', async () => {
    const location = await new Promise<string | undefined>((resolve) => {
      httpRequest(`http://localhost:${nginx.httpPort}/harbours?x=1`, (response) =>
        resolve(response.headers.location),
      ).end();
    });
    expect(location).toMatch(/^https:\/\/localhost.*\/harbours\?x=1$/);
  }, 60_000);

  it('knows visitors by the proxy’s word and not by their own', async () => {
    const { status, headers, body } = await signIn('203.0.113.9');
    expect(status).toBe(200);
    const cookie = headers['set-cookie']?.[0] ?? '';
    expect(cookie).toMatch(/^__Host-plindo_session=.*; Path=\/; HttpOnly; Secure; SameSite=Lax$/);
    const { csrf } = JSON.parse(body.toString()) as { csrf: string };
    const own = { Cookie: cookie.split(';')[0]!, 'X-CSRF-Token': csrf };
    const door = JSON.parse((await ask('/api/door', own)).body.toString()) as { what: string; address: string }[];
    expect(door[0]).toEqual(jasmine.objectContaining({ what: 'signed-in', address: '127.0.0.1' }));
    const statuses: number[] = [];
    for (let at = 0; at < 11; at++) {
      const wrong = JSON.stringify({ email: 'nobody@example.org', password: 'wrong' });
      const sent = { 'Content-Type': 'application/json', 'X-Forwarded-For': `198.51.100.${at}` };
      statuses.push((await ask('/api/session', sent, wrong)).status);
    }
    expect(statuses.at(-1)).toBe(429);
  }, 60_000);

  it('passes on server-sent events as they come', async () => {
    const [first, second] = await page.evaluate(async () => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
      const events: Promise<string>[] = [];
      const source = new EventSource('/api/events');
      await new Promise((resolve) => source.addEventListener('open', resolve));
      for (const name of ['First name', 'Second name']) {
        events.push(
          new Promise((resolve) => {
            source.addEventListener('message', ({ data }: MessageEvent<string>) => resolve(data), { once: true });
          }),
        );
        const headers = { 'X-CSRF-Token': csrf, 'Content-Type': 'application/json' };
        await fetch('/api/site', { method: 'PUT', headers, body: JSON.stringify({ name }) });
        // The one comes before the other is sent: nothing on the way waits for more.
        await events.at(-1);
      }
      source.close();
      return Promise.all(events);
    });
    for (const event of [first!, second!]) {
      expect(JSON.parse(event)).toEqual(jasmine.objectContaining({ type: 'change', structure: true, isOwn: true }));
    }
  }, 60_000);

  it('takes large files from people who have signed in', async () => {
    const text = randomBytes(3 * 1024 * 1024).toString('base64');
    const status = await page.evaluate(async (content) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
      const form = new FormData();
      form.append('file', new Blob([content], { type: 'text/plain' }), 'large.txt');
      const response = await fetch('/api/files', { method: 'POST', headers: { 'X-CSRF-Token': csrf }, body: form });
      return response.status;
    }, text);
    expect(status).toBe(200);
  }, 60_000);
});
