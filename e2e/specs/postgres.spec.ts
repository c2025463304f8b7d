import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newDatabase, startPostgres } from '../harness/postgres.js';
import type { TestPostgres } from '../harness/postgres.js';
import { TestServer } from '../harness/server.js';
import { departuresTrial } from '../trials/departures.js';
import { crashTrial } from '../trials/crash.js';
import { nodesTrial } from '../trials/nodes.js';
import { cutTrial, outageTrial } from '../trials/outage.js';

const SEED = 20_261_128;

describe('On PostgreSQL', () => {
  let postgres: TestPostgres;

  beforeAll(async () => {
    postgres = await startPostgres();
  }, 120_000);
  afterAll(() => postgres.stop());

  it('a server that is killed in the middle of its work loses nothing that it acknowledged', async () => {
    const { faults, acknowledged } = await crashTrial(3, SEED, await newDatabase(postgres.address));
    expect(faults).toEqual([]);
    // Enough to know that something was done between the kills, also on a machine that others use.
    expect(acknowledged).toBeGreaterThan(5);
  }, 300_000);

  it('two nodes take edits of the same listings: all of them kept, every conflict told, both pages alike', async () => {
    const { faults, acknowledged, conflicts } = await nodesTrial(await newDatabase(postgres.address), SEED, 10, 20);
    expect(faults).toEqual([]);
    expect([acknowledged + conflicts, acknowledged > 100, conflicts > 0]).toEqual([200, true, true]);
  }, 300_000);

  it('two servers that are killed while listings leave do each thing once to each of them', async () => {
    const database = await newDatabase(postgres.address);
    const { faults, listings } = await departuresTrial(3, SEED, { database, nodes: 2 });
    expect(faults).toEqual([]);
    expect(listings).toBeGreaterThan(300);
  }, 300_000);

  it('a database that goes away is told, kept pages are given meanwhile, and everything goes on when it is back', async () => {
    const { whileAway, backAfterMs, faults } = await outageTrial(postgres);
    expect(whileAway).toEqual({ ready: 503, edit: 503, code: 'server.store-away', page: 200, newPage: 503 });
    expect(backAfterMs).toBeLessThan(Infinity);
    expect(faults).toEqual([]);
  }, 300_000);

  it('a node that is cut off for ten seconds holds the other one up no longer, and catches up', async () => {
    const { edits, caughtUpAfterMs, faults } = await cutTrial(postgres, 10_000);
    expect(edits).toBeGreaterThan(0);
    expect(caughtUpAfterMs).toBeLessThan(Infinity);
    expect(faults).toEqual([]);
  }, 300_000);

  it('the demo’s store is moved, both sides the same, and served from there', async () => {
    const folder = mkdtempSync(join(tmpdir(), '.plindo-move-'));
    const demo = await TestServer.startDemo();
    const before = await (await fetch(`${demo.address}/api/page?url=/berths`)).json();
    await demo.end();
    cpSync(demo.folder, folder, { recursive: true });
    rmSync(demo.folder, { recursive: true, force: true });
    const database = await newDatabase(postgres.address);
    const move = (): { status: number | null; told: string } => {
      const options = { env: { ...process.env, PLINDO_DATA: folder }, encoding: 'utf8' } as const;
      const { status, stdout, stderr } = spawnSync('node', ['server/dist/start/move.js', '--to', database], options);
      return { status, told: stdout + stderr };
    };
    const { status, told } = move();
    expect([status, told]).toEqual([0, jasmine.stringContaining('Everything is there.')]);
    expect(told).toMatch(/listings +\d{3} rows, the same/);
    const again = move();
    expect([again.status, again.told]).toEqual([1, jasmine.stringContaining('The database is not empty')]);
    const served = await TestServer.start(folder, database);
    const after = await (await fetch(`${served.address}/api/page?url=/berths`)).json();
    expect({ ...after, now: '' }).toEqual({ ...before, now: '' });
    await served.stop();
  }, 120_000);
});
