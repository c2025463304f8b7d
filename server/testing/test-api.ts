import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Role, SessionInfo } from '@plindo/core/contract';
import type { PageModel } from '@plindo/core/page';
import type { KindDefinition } from '@plindo/core/structure';
import { makeField, makeKindDefinition, proposeFacets, proposeSortChoices } from '@plindo/core/structure';
import { SiteWords } from '@plindo/core/values';
import type { ListOnPage } from '@plindo/core/testing/list-on-page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { pino } from 'pino';
import { assemble } from '../src/assemble.js';
import type { Assembly } from '../src/assemble.js';
import { makeApp } from '../src/http/app.js';
import { databaseIn, removeDatabase, storeFolder } from './database.js';
import { listening } from './raw-http.js';

export const PASSWORD = 'a long password';

/** An answer of the API, read. */
export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  // Tests look into answers of every shape.
  readonly json: any; // eslint-disable-line @typescript-eslint/no-explicit-any
}

/** Somebody who sends requests: with a session, with a token, or with nothing. */
export class Sender {
  constructor(
    private readonly address: string,
    private readonly headers: Readonly<Record<string, string>>,
  ) {}

  /** What the page of a list at an address shows of it. */
  async list(url: string): Promise<ListOnPage> {
    return listOnPage((await this.send('GET', `/api/page?url=${encodeURIComponent(url)}`)).json as PageModel);
  }

  async send(method: string, path: string, body?: unknown): Promise<Answer> {
    if (body instanceof FormData) return this.fetch(path, { method, headers: this.headers, body });
    if (body === undefined) return this.fetch(path, { method, headers: this.headers });
    return this.sendText(method, path, JSON.stringify(body));
  }

  /** Sends a text as it is, as JSON unless other headers say otherwise. */
  sendText(method: string, path: string, text: string, more: Readonly<Record<string, string>> = {}): Promise<Answer> {
    const headers = { ...this.headers, 'Content-Type': 'application/json', ...more };
    return this.fetch(path, { method, headers, ...(text !== '' && { body: text }) });
  }

  private async fetch(path: string, request: RequestInit): Promise<Answer> {
    const response = await fetch(this.address + path, request);
    if (response.headers.get('content-type')?.startsWith('text/event-stream')) {
      // It would go on for ever.
      await response.body?.cancel();
      return { status: response.status, headers: response.headers, json: null };
    }
    const text = await response.text();
    const isJson = /json/.test(response.headers.get('content-type') ?? '');
    return { status: response.status, headers: response.headers, json: isJson ? JSON.parse(text) : null };
  }

  /** What an address gives, byte by byte. */
  async download(path: string): Promise<Buffer> {
    const response = await fetch(this.address + path, { headers: this.headers });
    return Buffer.from(await response.arrayBuffer());
  }

  /** With a browser of people, who count where robots don't; each name is another visitor. */
  withBrowser(name = ''): Sender {
    return this.with({
      'User-Agent': `Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0 ${name}`,
    });
  }

  without(header: string): Sender {
    return new Sender(
      this.address,
      Object.fromEntries(Object.entries(this.headers).filter(([name]) => name !== header)),
    );
  }

  with(headers: Record<string, string>): Sender {
    return new Sender(this.address, { ...this.headers, ...headers });
  }
}

/** The API on a store of its own, without the web apps. */
export class TestApi {
  private constructor(
    readonly folder: string,
    readonly assembly: Assembly,
    private readonly server: Server,
  ) {}

  static async start(folder = storeFolder(), clock: () => Date = () => new Date()): Promise<TestApi> {
    const assembly = await assemble({ folder, database: await databaseIn(folder), clock });
    const app = await makeApp({
      services: assembly.services,
      log: pino({ level: process.env['PLINDO_LOG'] ?? 'silent' }),
    });
    return new TestApi(folder, assembly, await listening(app));
  }

  get address(): string {
    return `http://localhost:${(this.server.address() as AddressInfo).port}`;
  }

  get anyone(): Sender {
    return new Sender(this.address, {});
  }

  async addUser(role: Role): Promise<void> {
    const given = { email: `${role}@example.org`, name: role, password: PASSWORD, role };
    await this.assembly.services.accounts.addUser(given);
  }

  signIn(role: Role): Promise<Sender> {
    return this.signInAs(`${role}@example.org`, PASSWORD);
  }

  async signInAs(email: string, password: string): Promise<Sender> {
    const body = JSON.stringify({ email, password });
    const headers = { 'Content-Type': 'application/json' };
    const response = await fetch(`${this.address}/api/session`, { method: 'POST', headers, body });
    const { csrf } = (await response.json()) as SessionInfo;
    const cookie = response.headers.get('set-cookie')?.split(';')[0] ?? '';
    return new Sender(this.address, { Cookie: cookie, 'X-CSRF-Token': csrf });
  }

  /** Ends the server as it is; the store stays in its folder. */
  async leave(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
    await this.assembly.close();
  }

  async stop(): Promise<void> {
    await this.leave();
    await removeDatabase(this.folder);
  }
}

const FIELDS = [
  makeField({
    key: 'type',
    label: 'Type',
    type: 'one-choice',
    settings: {
      choices: [
        { key: 'quay', label: 'Quay' },
        { key: 'buoy', label: 'Buoy' },
      ],
    },
  }),
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR', greatest: 100 } }),
  makeField({ key: 'photo', label: 'Photo', type: 'picture' }),
];

export const BERTHS: KindDefinition = makeKindDefinition({
  slug: 'berths',
  one: 'Berth',
  many: 'Berths',
  published: true,
  fields: FIELDS,
  facets: proposeFacets(FIELDS),
  sortChoices: proposeSortChoices(FIELDS, new SiteWords('en-GB')),
});
