import { Buffer } from 'node:buffer';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DemoDesk } from '../harness/demo-desk.js';

/** Loaded by the server before anything else: notes in a file whom any part of it, or of its packages, connects to. */
const NOTING = `
const { appendFileSync } = require('node:fs');
const note = (...parts) => appendFileSync(process.env.PLINDO_NOTED_CALLS, parts.join(' ') + '\\n');
const net = require('node:net');
const connect = net.Socket.prototype.connect;
net.Socket.prototype.connect = function (...given) {
  note('connects', JSON.stringify(given[0]));
  return connect.apply(this, given);
};
const dns = require('node:dns');
const lookup = dns.lookup;
dns.lookup = function (name, ...rest) {
  if (name !== 'localhost' && name !== '127.0.0.1') note('asks for', name);
  return lookup.call(this, name, ...rest);
};
const dgram = require('node:dgram');
const send = dgram.Socket.prototype.send;
dgram.Socket.prototype.send = function (...given) {
  note('sends');
  return send.apply(this, given);
};
`;

describe('Nobody outside is called', () => {
  let folder: string;
  let demo: DemoDesk;
  const asked = new Set<string>();

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'plindo-calls-'));
    const guard = join(folder, 'noting.cjs');
    writeFileSync(guard, NOTING);
    demo = await DemoDesk.open({ NODE_OPTIONS: `--require ${guard}`, PLINDO_NOTED_CALLS: join(folder, 'calls') });
    demo.page.on('request', (request) => asked.add(new URL(request.url()).origin));
  }, 120_000);
  afterAll(async () => {
    await demo.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const noted = (): string => {
    const file = join(folder, 'calls');
    return existsSync(file) ? readFileSync(file, 'utf8') : '';
  };

  it('by the pages of the site and of the Desk, or by the server behind them', async () => {
    const { page, server, desk } = demo;
    const home = await page.goto(`${server.address}/`, { waitUntil: 'networkidle' });
    for (const path of ['/berths', '/courses', '/harbours/greyfin-marina', '/api/docs']) {
      await page.goto(`${server.address}${path}`, { waitUntil: 'networkidle' });
    }
    for (const path of ['/shape', '/fill/2', '/arrange/2', '/arrange/pages', '/run/calendar', '/run/notices', '/me']) {
      await page.goto(`${server.address}/desk${path}`, { waitUntil: 'networkidle' });
    }
    await desk.chooseFile({
      name: 'moles.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('Name,Length\nNorth,12 m\n'),
    });
    await desk.nameKind('Mole');
    await desk.bringIn();
    await page.goto(`${server.address}/desk/run/backups`);
    await page.getByRole('button', { name: 'Make one now' }).click();
    await page.getByText(/restored and compared/).waitFor();
    expect([...asked].filter((origin) => origin !== server.address && !/^(data|blob|null)/.test(origin))).toEqual([]);
    expect(noted()).toBe('');
    // What a page may ask a visitor's browser for: where they are, for distances, and nothing else.
    expect(await home!.headerValue('permissions-policy')).toBe(
      'camera=(), display-capture=(), geolocation=(self), microphone=(), midi=(), payment=(), usb=()',
    );
  }, 120_000);

  it('and a call would be noted', () => {
    const program = `require('node:http').get('http://127.0.0.1:9/').on('error', () => undefined)`;
    const environment = { ...process.env, PLINDO_NOTED_CALLS: join(folder, 'try') };
    spawnSync(process.execPath, ['--require', join(folder, 'noting.cjs'), '-e', program], { env: environment });
    expect(readFileSync(join(folder, 'try'), 'utf8')).toContain('connects');
  });
});
