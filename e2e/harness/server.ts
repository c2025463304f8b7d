import type { ChildProcess } from 'node:child_process';
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const START_IN_MS = 30_000;

/** A server of the production build on a port and a store of its own. */
export class TestServer {
  private constructor(
    /** Where visitors find it. */
    readonly address: string,
    /** Where it listens, which a proxy in front has to know. */
    readonly listensOn: string,
    /** The one-time link that makes the owner, when it was printed. */
    readonly setupLink: string | null,
    readonly folder: string,
    private readonly process: ChildProcess,
  ) {}

  get processId(): number {
    return this.process.pid!;
  }

  /** Starts on an empty store, or on the one in `folder`; `database` is the address of one that isn't there. */
  static async start(
    folder = mkdtempSync(join(tmpdir(), '.plindo-e2e-')),
    database?: string,
    more: Readonly<Record<string, string>> = {},
  ): Promise<TestServer> {
    const environment = {
      ...{ ...process.env, PORT: '0', PLINDO_DATA: folder, NODE_ENV: 'production' },
      // One program asks for what many visitors would.
      ...{ PLINDO_PAGES_A_MINUTE: 'any', ...more },
      ...(database !== undefined && { PLINDO_DATABASE: database }),
    };
    const child = spawn(process.execPath, ['server/dist/start/plindo.js'], { env: environment });
    const printed = await new Promise<string>((resolve, reject) => {
      let text = '';
      const timer = setTimeout(() => reject(new Error(`The server did not start: ${text}`)), START_IN_MS);
      child.stdout.on('data', (part: Buffer) => {
        text += part.toString();
        if (!/^Data/m.test(text)) return;
        clearTimeout(timer);
        resolve(text);
      });
      child.stderr.on('data', (part: Buffer) => (text += part.toString()));
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}: ${text}`)));
    });
    const address = /^Site\s+(\S+)\/$/m.exec(printed)?.[1] ?? '';
    const here = /^Here\s+(\S+)\/$/m.exec(printed)?.[1] ?? address;
    return new TestServer(address, here, /(\S+\/setup#\S+)/.exec(printed)?.[1] ?? null, folder, child);
  }

  /** Starts on a copy of the demo store, which is filled once a run: by the runner of all specs, or here. */
  static async startDemo(environment: Readonly<Record<string, string>> = {}): Promise<TestServer> {
    const filled = process.env['PLINDO_FILLED_DEMO'] ?? join(tmpdir(), `plindo-demo-${process.pid}`);
    if (!existsSync(filled)) {
      const { status } = spawnSync(process.execPath, ['demo/dist/fill.js', filled], { stdio: 'inherit' });
      if (status !== 0) throw new Error(`Filling the demo ended with ${status}.`);
      process.once('exit', () => rmSync(filled, { recursive: true, force: true }));
    }
    const folder = mkdtempSync(join(tmpdir(), '.plindo-e2e-'));
    cpSync(filled, folder, { recursive: true });
    return TestServer.start(folder, undefined, environment);
  }

  /** Ends the process at once, as a power cut would. */
  kill(): Promise<void> {
    return this.ended('SIGKILL');
  }

  /** Ends the process as its operator would; the store stays in its folder. */
  end(): Promise<void> {
    return this.ended('SIGTERM');
  }

  private async ended(signal: NodeJS.Signals): Promise<void> {
    const ended = new Promise((resolve) => this.process.once('exit', resolve));
    this.process.kill(signal);
    await ended;
  }

  async stop(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
