import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BackupSummary } from '@plindo/core/contract';
import sharp from 'sharp';
import { DIALECT, databaseIn, emptyDatabaseIn, removeDatabase, storeFolder } from '../../testing/database.js';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';
import { insertion } from '../../testing/insertion.js';
import type { Kept } from './backup.js';
import { openDatabase } from '../store/database.js';
import { makeBackup, restoreBackup } from './backup.js';
import { checkKept } from './check.js';

const SOME = 30;

describe('A backup', () => {
  let api: TestApi;
  let owner: Sender;
  let kept: Kept;
  let aside: string;
  let now: Date;

  beforeEach(async () => {
    now = new Date('2026-03-10T10:00:00Z');
    aside = storeFolder();
    api = await TestApi.start(undefined, () => now);
    await api.addUser('owner');
    owner = await api.signIn('owner');
    kept = { folder: api.folder, database: await databaseIn(api.folder) };
    const { result: kind } = (await owner.send('POST', '/api/kinds', BERTHS)).json;
    const photo = await addPicture();
    for (let at = 0; at < SOME; at++) {
      const values = at === 0 ? { photo: { hash: photo, width: 20, height: 10, alt: 'A quay' } } : {};
      const { status } = await owner.send('POST', `/api/kinds/${kind.id}/listings`, {
        title: `Berth ${at}`,
        values,
        status: 'live',
      });
      expect(status).toBe(200);
    }
    await api.assembly.services.files.add(Buffer.from('Tides and times'), 'tides.txt');
  });
  afterEach(async () => {
    await api.stop();
    await removeDatabase(aside);
  });

  async function addPicture(): Promise<string> {
    const png = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#246' } })
      .png()
      .toBuffer();
    return (await api.assembly.services.pictures.add(png, 'quay.png')).hash;
  }

  /** Where a backup is restored to: another folder, and on PostgreSQL another database. */
  const elsewhere = async (): Promise<Kept> => ({
    folder: join(aside, 'restored'),
    database: DIALECT === 'sqlite' ? join(aside, 'restored', 'plindo.sqlite') : await emptyDatabaseIn(aside),
  });

  it('is made while others write, holds one moment, and serves elsewhere as it was', async () => {
    const path = join(aside, 'b.zip');
    const writing = Promise.all(
      [1, 2, 3].map((at) => owner.send('POST', '/api/kinds/1/listings', { title: `Meanwhile ${at}` })),
    );
    const made = await makeBackup(kept, path, now);
    await writing;
    expect(made.verified).toBe('restored');
    expect(readdirSync(aside)).toEqual(['b.zip']);
    const to = await elsewhere();
    expect((await restoreBackup(path, to)).rows).toBe(made.rows);
    expect((await checkKept(to, now)).faults).toEqual([]);
    const key = (folder: string): string => readFileSync(join(folder, 'secret.key'), 'utf8');
    expect(key(to.folder)).toBe(key(kept.folder));
    if (DIALECT === 'postgres') return;
    const there = await TestApi.start(to.folder, () => now);
    const again = await there.signIn('owner');
    const { total } = (await again.send('GET', '/api/kinds/1/listings')).json;
    expect(total).toBeGreaterThanOrEqual(SOME);
    const { listings } = (await again.send('GET', '/api/kinds/1/listings?q=Berth%200')).json;
    const picture = await there.anyone.send('GET', `/pictures/${listings[0].values.photo.hash}-400.webp`);
    expect(picture.status).toBe(200);
    await there.leave();
  });

  it('that is damaged, cut off, or none at all is refused before anything is touched', async () => {
    const path = join(aside, 'b.zip');
    await makeBackup(kept, path, now);
    const whole = readFileSync(path);
    const refused = async (bytes: Buffer, said: RegExp): Promise<void> => {
      writeFileSync(path, bytes);
      const to = { folder: join(aside, 'restored'), database: join(aside, 'restored', 'plindo.sqlite') };
      await expectAsync(restoreBackup(path, to)).withContext(String(said)).toBeRejectedWithError(said);
      expect(readdirSync(aside)).toEqual(['b.zip']);
    };
    await refused(Buffer.from('nothing like it'), /no whole backup/);
    await refused(whole.subarray(0, whole.length / 2), /no whole backup/);
    const turned = Buffer.from(whole);
    const at = 300;
    turned.writeUInt8(turned.readUInt8(at) ^ 0xff, at);
    await refused(turned, /damaged|no whole backup/);
  });

  it('goes into an empty folder only', async () => {
    const path = join(aside, 'b.zip');
    await makeBackup(kept, path, now);
    await expectAsync(restoreBackup(path, kept)).toBeRejectedWithError(/is not empty. Set PLINDO_DATA/);
  });

  it('leaves nothing when it cannot be made', async () => {
    const nowhere = { ...kept, database: DIALECT === 'sqlite' ? join(aside, 'none.sqlite') : `${kept.database}_none` };
    await expectAsync(makeBackup(nowhere, join(aside, 'b.zip'), now)).toBeRejected();
    expect(readdirSync(aside).filter((name) => name.includes('b'))).toEqual([]);
  });

  it('is made every day at its hour, kept as often as was asked, and told', async () => {
    const told = { 'backup-made': { to: ['office@example.org'], manner: 'at-once' } };
    const site = { backups: { hour: 3, keep: 2 }, notices: { hour: 8, told }, zone: 'Europe/Berlin' };
    expect((await owner.send('PUT', '/api/site', site)).status).toBe(200);
    const { clock, services } = api.assembly;
    const names = async (): Promise<string[]> => (await services.backups.all()).backups.map(({ name }) => name);
    await clock.doDue();
    expect(await names()).toEqual([]);
    for (const day of ['11', '12', '13']) {
      now = new Date(`2026-03-${day}T02:00:00Z`);
      await clock.doDue();
      await clock.doDue();
    }
    expect(await names()).toEqual(['plindo-2026-03-13-020000.zip', 'plindo-2026-03-12-020000.zip']);
    expect(readdirSync(join(api.folder, 'backups')).sort()).toEqual([...(await names())].sort());
    const { mails } = await api.assembly.store.mails.latest('', null, 9);
    expect(mails.filter(({ about }) => about === 'backup-made').length).toBe(3);
    expect(mails[0]!.text).toMatch(/was made and verified .* Keep a copy on another machine/);
  });

  it('that fails is noted with its reason, told, and deletes no older one', async () => {
    const told = { 'backup-failed': { to: ['office@example.org'], manner: 'at-once' } };
    await owner.send('PUT', '/api/site', { backups: { hour: 3, keep: 1 }, notices: { hour: 8, told } });
    const { backups } = api.assembly.services;
    await backups.make();
    rmSync(join(api.folder, 'pictures'), { recursive: true });
    // A folder in the place of the next backup.
    now = new Date(now.getTime() + 1000);
    const { mkdirSync } = await import('node:fs');
    mkdirSync(join(api.folder, 'backups', 'plindo-2026-03-10-100001.zip'));
    await backups.make();
    const all = (await backups.all()).backups;
    expect(all.map(({ fault }: BackupSummary) => fault === '')).toEqual([false, true]);
    const { mails } = await api.assembly.store.mails.latest('', null, 9);
    expect(mails[0]!.about).toBe('backup-failed');
    expect((await backups.file(all[1]!.id)).name).toBe('plindo-2026-03-10-100000.zip');
  });

  it('is begun by hand, one at a time, and fetched by owners who have signed in', async () => {
    expect((await owner.send('POST', '/api/backups')).status).toBe(204);
    expect((await owner.send('POST', '/api/backups')).json.code).toBe('backup.running');
    await api.assembly.services.backups.make();
    const { json } = await owner.send('GET', '/api/backups');
    expect([json.isRunning, json.backups.length, json.backups[0].verified]).toEqual([false, 1, 'restored']);
    const zip = await owner.download(`/api/backups/${json.backups[0].id}/zip`);
    expect([zip.subarray(0, 2).toString(), zip.length]).toEqual(['PK', json.backups[0].bytes]);
    const { secret } = (await owner.send('POST', '/api/tokens', { name: 'x' })).json;
    const script = api.anyone.with({ Authorization: `Bearer ${secret}` });
    expect((await script.send('GET', '/api/backups/1/zip')).json.code).toBe('auth.session-only');
  });
});

describe('A check', () => {
  it('finds pictures that are gone or damaged, and what listings refer to that is not kept', async () => {
    const api = await TestApi.start();
    const { services } = api.assembly;
    const kept = { folder: api.folder, database: await databaseIn(api.folder) };
    const drawn = (colour: string): Promise<Buffer> =>
      sharp({ create: { width: 20, height: 10, channels: 3, background: colour } })
        .png()
        .toBuffer();
    const [one, other] = [
      await services.pictures.add(await drawn('#123'), 'a.png'),
      await services.pictures.add(await drawn('#abc'), 'b.png'),
    ];
    rmSync(join(api.folder, 'pictures', `${one.hash}.webp`));
    writeFileSync(join(api.folder, 'pictures', `${other.hash}.webp`), 'not it');
    await services.kinds.add(null, BERTHS);
    const picture = { hash: 'f'.repeat(32), alt: '' };
    const row = {
      id: 1,
      kindId: 1,
      slug: 'a',
      address: 'a',
      title: 'A',
      summary: '',
      picture,
      values: {},
      status: 'draft',
    };
    const database = await openDatabase(kept.database);
    await database.sequelize.query(
      insertion('listings', { ...row, featured: false, version: 1, createdAt: 1, changedAt: 1 }),
    );
    await database.close();
    const faults = [...(await checkKept(kept, new Date())).faults];
    const [gone, damaged] = [
      `The picture ${one.hash} is not in ${api.folder}.`,
      `The picture ${other.hash} is damaged.`,
    ];
    expect(faults.sort()).toEqual([
      `A (Berth) shows a picture that is not kept: ${picture.hash}.`,
      ...[gone, damaged].sort(),
    ]);
    await api.stop();
  });
});
