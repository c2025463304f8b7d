import type { ChildProcess } from 'node:child_process';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PROGRAM = '/usr/sbin/nginx';
const READY_IN_MS = 10_000;

/** Debian's nginx with a certificate of its own, set up as docs/running.md says. */
export class Nginx {
  private constructor(
    readonly httpsPort: number,
    readonly httpPort: number,
    private readonly folder: string,
    private readonly process: ChildProcess,
  ) {}

  /** Free ports for HTTPS and HTTP, as the server has to know its address before the proxy knows the server's. */
  static ports(): Promise<[number, number]> {
    return Promise.all([freePort(), freePort()]);
  }

  static async start([httpsPort, httpPort]: readonly [number, number], target: string): Promise<Nginx> {
    needNginx();
    const folder = mkdtempSync(join(tmpdir(), '.plindo-nginx-'));
    const [certificate, key] = [join(folder, 'own.pem'), join(folder, 'own.key')];
    const subject = ['-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost'];
    const options = [
      'req',
      '-x509',
      '-newkey',
      'rsa:2048',
      '-nodes',
      '-days',
      '2',
      '-keyout',
      key,
      '-out',
      certificate,
    ];
    const made = spawnSync('openssl', [...options, ...subject]);
    if (made.status !== 0) throw new Error(`No certificate could be made: ${String(made.stderr)}`);
    const servers = documented()
      .replaceAll('listen 443 ssl', `listen 127.0.0.1:${httpsPort} ssl`)
      .replaceAll('listen 80', `listen 127.0.0.1:${httpPort}`)
      .replaceAll('guide.example;', 'localhost;')
      .replace(/ssl_certificate \S+;/, `ssl_certificate ${certificate};`)
      .replace(/ssl_certificate_key \S+;/, `ssl_certificate_key ${key};`)
      .replace(/proxy_pass \S+;/, `proxy_pass ${target};`);
    const folders = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
      (name) => `${name}_temp_path ${join(folder, name)};`,
    );
    const http = ['access_log off;', ...folders, servers].join('\n');
    const config = join(folder, 'nginx.conf');
    // Who may read a folder that is the test's alone.
    const user = process.getuid?.() === 0 ? 'user root; ' : '';
    const top = `${user}daemon off; pid ${join(folder, 'pid')}; error_log ${join(folder, 'error.log')}; events {}`;
    writeFileSync(config, `${top}\nhttp {\n${http}\n}\n`);
    const child = spawn(PROGRAM, ['-c', config, '-p', folder, '-e', join(folder, 'error.log')], { stdio: 'pipe' });
    let said = '';
    child.stderr.on('data', (part: Buffer) => (said += part.toString()));
    const nginx = new Nginx(httpsPort, httpPort, folder, child);
    for (const until = Date.now() + READY_IN_MS; !(await isOpen(httpsPort));) {
      if (Date.now() > until || child.exitCode !== null) throw new Error(`nginx did not start: ${said}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    return nginx;
  }

  async stop(): Promise<void> {
    const ended = new Promise((resolve) => this.process.once('exit', resolve));
    this.process.kill('SIGTERM');
    await ended;
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** The block that docs/running.md shows, so that what is documented is what is tested. */
function documented(): string {
  const [, block = ''] = /```nginx\n([\s\S]*?)```/.exec(readFileSync('docs/running.md', 'utf8')) ?? [];
  if (block === '') throw new Error('docs/running.md has no block for nginx.');
  return block;
}

/** Installs Debian's nginx when it may; else says exactly what to install. */
function needNginx(): void {
  if (existsSync(PROGRAM)) return;
  const isRoot = process.getuid?.() === 0;
  const command =
    'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends nginx-light openssl';
  if (isRoot) spawnSync('sh', ['-c', `${command} > /dev/null`], { stdio: 'inherit' });
  if (!existsSync(PROGRAM))
    throw new Error('This spec needs nginx: run "apt-get install nginx-light openssl" as root.');
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });
}

function isOpen(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
  });
}
