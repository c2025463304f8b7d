import { chmodSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DIALECT, removeDatabase, storeFolder } from '../../testing/database.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';
import { Store } from '../store/index.js';

/** As long as a summary may be. */
const LONG = 'x'.repeat(2000);
const MANY = 60;

const ofSqlite = DIALECT === 'sqlite' ? describe : (): void => undefined;

ofSqlite('A disk that is full', () => {
  let api: TestApi;
  let owner: Sender;

  beforeEach(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    await owner.send('POST', '/api/kinds', { one: 'Boat', many: 'Boats', slug: 'boats', published: true, fields: [] });
  });
  afterEach(() => api.stop());

  /** Lets the store grow by so many pages at most, as a full disk does; null for no end. */
  const leaveRoomFor = async (pages: number | null): Promise<void> => {
    const ask = (statement: string): Promise<{ n: number }[]> => api.assembly.store.ask(statement);
    const most =
      pages === null
        ? 1_000_000_000
        : Number((await ask('SELECT page_count AS n FROM pragma_page_count()'))[0]!.n) + pages;
    // Each of the connections that are kept for writing.
    for (let turn = 0; turn < 3; turn++) {
      await api.assembly.store.writing((transaction) =>
        (
          transaction as unknown as { sequelize: { query(sql: string, options: object): Promise<unknown> } }
        ).sequelize.query(`PRAGMA max_page_count = ${most}`, { transaction }),
      );
    }
  };

  it('refuses changes with a sentence, keeps what is there, and goes on when there is room again', async () => {
    const add = (title: string, summary = ''): ReturnType<Sender['send']> =>
      owner.send('POST', '/api/kinds/1/listings', { title, summary, status: 'live' });
    expect((await add('Dory')).status).toBe(200);
    await leaveRoomFor(1);
    let refused = await add('Skiff', LONG);
    let added = 1;
    for (; refused.status === 200; added++) refused = await add('Skiff', LONG);
    expect([refused.status, refused.json.code]).toEqual([507, 'server.disk-full']);
    expect(refused.json.title).toMatch(/disk .* full. Nothing was changed/);
    const { json: kept } = await owner.send('GET', '/api/kinds/1/listings');
    expect(kept.total).toBe(added);
    const { json: page } = await api.anyone.send('GET', '/api/page?url=/boats');
    expect(JSON.stringify(page)).toContain('Dory');
    await leaveRoomFor(null);
    expect((await add('Skiff', LONG)).status).toBe(200);
    expect((await owner.send('GET', '/api/kinds/1/listings')).json.total).toBe(added + 1);
  });

  it('leaves an import where it was, which goes on when there is room again', async () => {
    const kind = { one: 'Crew', many: 'Crews', slug: 'crews', fields: [] };
    const start = { fileName: 'c.csv', rows: MANY, policy: 'refuse-row', kind };
    const { json: begun } = await owner.send('POST', '/api/imports', start);
    const rows = Array.from({ length: MANY }, (_, at) => ({
      line: at + 2,
      input: { title: `Crew ${at}`, summary: LONG },
    }));
    const send = (): ReturnType<Sender['send']> =>
      owner.send('POST', `/api/imports/${begun.id as number}/rows`, { offset: 0, rows });
    await leaveRoomFor(1);
    expect((await send()).status).toBe(507);
    expect((await owner.send('POST', `/api/imports/${begun.id as number}/finish`)).json.code).toBe('import.unfinished');
    await leaveRoomFor(null);
    expect((await send()).json.added).toBe(MANY);
    const { json: done } = await owner.send('POST', `/api/imports/${begun.id as number}/finish`);
    expect((await owner.send('GET', `/api/kinds/${done.kindId as number}/listings`)).json.total).toBe(MANY);
  });

  it('is told by /readyz, with how much room there is', async () => {
    const { json } = await api.anyone.send('GET', '/readyz');
    expect(json).toEqual({
      ...{ ok: true, store: true, revision: jasmine.any(Number) as unknown as number },
      disk: { free: jasmine.any(Number) as unknown as number, isLow: jasmine.any(Boolean) as unknown as boolean },
    });
    expect(json.disk.free).toBeGreaterThan(1_000_000);
  });

  it('or one that is gone or read-only is told from everything else', () => {
    const { health } = api.assembly.services;
    const ofDisk = (code: string): unknown => health.troubleOf(Object.assign(new Error(code), { code }));
    expect([ofDisk('ENOSPC'), ofDisk('EDQUOT'), ofDisk('EROFS'), ofDisk('ENOENT')]).toEqual([
      ...['server.disk-full', 'server.disk-full', 'server.read-only', null],
    ]);
    const said = (message: string): unknown => health.troubleOf(new Error(message));
    expect([
      said('SQLITE_READONLY: attempt to write'),
      said('SQLITE_CORRUPT: malformed'),
      said('SQLITE_IOERR: x'),
    ]).toEqual([...['server.read-only', 'server.store-damaged', 'server.store-away']]);
  });
});

ofSqlite('A file that is no store', () => {
  it('is told with what to do', async () => {
    const folder = storeFolder();
    const file = join(folder, 'plindo.sqlite');
    writeFileSync(file, 'this was a store once'.repeat(500));
    await expectAsync(Store.open(file, () => new Date())).toBeRejectedWithError(/damaged. .* restore a backup/);
    chmodSync(file, 0o600);
    await removeDatabase(folder);
  });
});
