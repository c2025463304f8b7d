/**
 * A PostgreSQL server for tests and benchmarks: on a free port, with a data folder of its own, without waiting for the
 * disk, and gone afterwards. `node tools/postgres.mjs COMMAND…` runs a command with its address in PLINDO_TEST_POSTGRES.
 */
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clearTimeout, setTimeout } from 'node:timers';
import { fileURLToPath } from 'node:url';

const DEBIAN = '/usr/lib/postgresql';
const USER = 'plindo';
/** PostgreSQL refuses to run as root; Debian's package makes this user. */
const SYSTEM_USER = 'postgres';
const READY_IN_MS = 60_000;

/** The folder with PostgreSQL's programs; null when there are none. */
function programs() {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).sort((a, b) => Number(b) - Number(a)) : [];
  const folders = [...versions.map((version) => join(DEBIAN, version, 'bin')), ...(process.env.PATH ?? '').split(':')];
  return folders.find((folder) => existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'postgres'))) ?? null;
}

/** Makes sure that PostgreSQL is there, installing Debian's when it may; else says exactly what to install. */
export function needPostgres() {
  if (programs()) return true;
  const mayInstall = process.getuid?.() === 0 && spawnSync('sh', ['-c', 'command -v apt-get']).status === 0;
  if (mayInstall) {
    console.log('Installing Debian’s postgresql.');
    const install =
      'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends postgresql > /dev/null';
    spawnSync('sh', ['-c', install], { stdio: 'inherit' });
  }
  if (programs()) return true;
  console.error('The tests on PostgreSQL need it: run "apt-get install postgresql" as root.');
  return false;
}

function freePort() {
  return new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** Who the server runs as: the system's user for it where that has to be, else whoever starts it. */
function owner() {
  if (process.getuid?.() !== 0) return {};
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((entry) => entry.startsWith(`${SYSTEM_USER}:`));
  const [, , uid, gid] = (line ?? '').split(':').map(Number);
  return { uid, gid };
}

/** A server that runs until it is stopped; `restart` stops it, waits and starts it again on the same data. */
export class TestPostgres {
  constructor(folder, port) {
    this.folder = folder;
    this.port = port;
    this.child = null;
  }

  static async start() {
    const folder = mkdtempSync(join(tmpdir(), 'plindo-postgres-'));
    const user = owner();
    if (user.uid !== undefined) spawnSync('chown', [`${user.uid}:${user.gid}`, folder]);
    chmodSync(folder, 0o700);
    const data = join(folder, 'data');
    const made = spawnSync(
      join(programs(), 'initdb'),
      ['-D', data, '-U', USER, '-A', 'trust', '-E', 'UTF8', '--locale=C', '--no-sync'],
      { ...user, cwd: folder, encoding: 'utf8' },
    );
    if (made.status !== 0) throw new Error(`PostgreSQL’s data folder could not be made: ${made.stderr}`);
    const server = new TestPostgres(folder, await freePort());
    await server.begin();
    return server;
  }

  /** The address of the database that is always there. */
  get address() {
    return `postgres://${USER}@127.0.0.1:${this.port}/postgres`;
  }

  async begin() {
    const settings = { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off', max_connections: 200 };
    const given = Object.entries(settings).flatMap(([name, value]) => ['-c', `${name}=${value}`]);
    const places = ['-D', join(this.folder, 'data'), '-p', String(this.port), '-h', '127.0.0.1', '-k', this.folder];
    const options = { ...owner(), cwd: this.folder, stdio: ['ignore', 'pipe', 'pipe'] };
    this.child = spawn(join(programs(), 'postgres'), [...places, ...given], options);
    let told = '';
    const ready = new Promise((resolve, reject) => {
      const late = setTimeout(() => reject(new Error(`PostgreSQL did not start: ${told}`)), READY_IN_MS);
      for (const stream of [this.child.stdout, this.child.stderr]) {
        stream.on('data', (part) => {
          told += part;
          if (!/ready to accept connections/.test(told)) return;
          clearTimeout(late);
          told = '';
          resolve();
        });
      }
      this.child.once('exit', (code) => reject(new Error(`PostgreSQL ended with ${code}: ${told}`)));
    });
    await ready;
  }

  async end(signal = 'SIGINT') {
    const ended = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill(signal);
    await ended;
  }

  async stop() {
    await this.end();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

async function main([command, ...given]) {
  if (!needPostgres()) process.exit(1);
  const server = await TestPostgres.start();
  const environment = { ...process.env, PLINDO_TEST_POSTGRES: server.address };
  const child = spawn(command, given, { stdio: 'inherit', env: environment });
  const end = () => child.kill();
  process.on('SIGINT', end).on('SIGTERM', end);
  const code = await new Promise((resolve) => child.once('exit', resolve));
  await server.stop();
  process.exit(code ?? 1);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await main(process.argv.slice(2));
