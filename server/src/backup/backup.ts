import { mkdir, mkdtemp, readdir, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { DatabaseSums } from '../store/index.js';
import {
  copyDatabase,
  isPostgres,
  restoreDatabase,
  sqliteIn,
  sumsOf,
  sync,
  upgradeDatabase,
  withTrialDatabase,
} from '../store/index.js';
import type { Manifest } from './backup-zip.js';
import { KEY_FILE } from '../key-file.js';
import { unpackBackupZip, writeBackupZip } from './backup-zip.js';

/** What is kept: the folder of pictures and files, and the address of the database, an SQLite file or `postgres://…`. */
export interface Kept {
  readonly folder: string;
  readonly database: string;
}

/** What a backup came to. */
export interface BackupReport {
  readonly rows: number;
  readonly files: number;
  /**
   * How it was verified: by restoring it aside and comparing counts and hashes, or, on a PostgreSQL server where no
   * database may be made, by comparing the hashes of its files alone.
   */
  readonly verified: 'restored' | 'read';
}

const KEPT_FOLDERS = ['pictures', 'files'];

/**
 * Makes a backup of everything, also while it is served, under its name when it is whole and verified. Throws with a
 * sentence when it can't be made or isn't as it should be; then nothing lies there.
 */
export async function makeBackup(kept: Kept, target: string, now: Date): Promise<BackupReport> {
  await mkdir(dirname(target), { recursive: true });
  const aside = await mkdtemp(join(dirname(target), '.backup-'));
  try {
    const name = isPostgres(kept.database) ? 'store.dump' : 'store.sqlite';
    const copy = join(aside, name);
    const database = await copyDatabase(kept.database, copy);
    // The files are listed after the copy of the database: a file is there before a row names it, so no row of the copy lacks its file.
    const sources = new Map([[name, copy], ...(await keptFiles(kept.folder))]);
    const part = join(aside, 'backup.zip');
    await writeBackupZip(part, sources, { madeAt: now.toISOString(), database });
    const report = await verifyBackup(part, kept.database, join(aside, 'restored'));
    await rename(part, target);
    await sync(dirname(target));
    return report;
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
}

/** Restores a backup into a folder aside, which it makes, and compares it with what its manifest says. */
async function verifyBackup(zip: string, database: string, aside: string): Promise<BackupReport> {
  await mkdir(aside);
  const manifest = await unpackBackupZip(zip, aside);
  const restored = await withTrialDatabase(databaseIn(manifest, aside), database, sumsOf);
  if (restored) mustBeSame(manifest.database, restored);
  return { ...countsOf(manifest), verified: restored ? 'restored' : 'read' };
}

/** Restores a backup into a folder that isn't there or is empty, and, on PostgreSQL, into a database without tables. */
export async function restoreBackup(zip: string, kept: Kept): Promise<BackupReport> {
  const inFolder = await readdir(kept.folder).catch(() => []);
  if (inFolder.length > 0) throw new Error(`${kept.folder} is not empty. Set PLINDO_DATA to a folder that is.`);
  const part = `${kept.folder}.part`;
  await rm(part, { recursive: true, force: true });
  await mkdir(part, { recursive: true, mode: 0o700 });
  try {
    const manifest = await restoreAside(zip, part, kept.database);
    await rm(kept.folder, { recursive: true, force: true });
    await rename(part, kept.folder);
    return { ...countsOf(manifest), verified: 'restored' };
  } finally {
    await rm(part, { recursive: true, force: true });
  }
}

/** Restores everything into a folder that is empty, and compares it. */
async function restoreAside(zip: string, folder: string, address: string): Promise<Manifest> {
  const manifest = await unpackBackupZip(zip, folder);
  const wanted = isPostgres(address) ? 'postgres' : 'sqlite';
  if (manifest.database.dialect !== wanted) {
    const hint = wanted === 'sqlite' ? 'Set PLINDO_DATABASE to an empty one.' : 'Leave PLINDO_DATABASE away.';
    throw new Error(`The backup is of ${manifest.database.dialect === 'sqlite' ? 'SQLite' : 'PostgreSQL'}. ${hint}`);
  }
  const copy = databaseIn(manifest, folder);
  const database = isPostgres(address) ? address : sqliteIn(folder);
  await restoreDatabase(copy, database);
  await rm(copy);
  await upgradeDatabase(database);
  const restored = await sumsOf(database);
  // A backup of an older version has been brought up to date, which changes tables.
  if (restored.migration === manifest.database.migration) mustBeSame(manifest.database, restored);
  return manifest;
}

function databaseIn({ database }: Manifest, folder: string): string {
  return join(folder, database.dialect === 'postgres' ? 'store.dump' : 'store.sqlite');
}

/** The files that rows name, and the key where it lies beside them, by their paths in a backup. */
async function keptFiles(folder: string): Promise<[string, string][]> {
  const found: [string, string][] = [];
  if ((await readdir(folder)).includes(KEY_FILE)) found.push([KEY_FILE, join(folder, KEY_FILE)]);
  for (const of of KEPT_FOLDERS) {
    const names = await readdir(join(folder, of)).catch(() => [] as string[]);
    // What is half written yet belongs to no row.
    const whole = names.filter((name) => !name.endsWith('.part')).sort();
    found.push(...whole.map((name): [string, string] => [`${of}/${name}`, join(folder, of, name)]));
  }
  return found;
}

function mustBeSame(wanted: DatabaseSums, found: DatabaseSums): void {
  const byTable = new Map(found.tables.map((sum) => [sum.table, sum]));
  for (const { table, rows, hash } of wanted.tables) {
    const own = byTable.get(table);
    if (own?.rows === rows && own.hash === hash) continue;
    throw new Error(`The restored table ${table} differs: ${own?.rows ?? 'no'} rows in the place of ${rows}.`);
  }
}

function countsOf({ database, files }: Manifest): Pick<BackupReport, 'rows' | 'files'> {
  return {
    rows: database.tables.reduce((sum, { rows }) => sum + rows, 0),
    files: files.filter(({ path }) => path.includes('/')).length,
  };
}
