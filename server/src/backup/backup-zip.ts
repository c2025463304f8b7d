import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { pipeline } from 'node:stream/promises';
import type yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import { entriesOf, openZip, streamOf } from '../services/zip-reading.js';
import type { DatabaseSums } from '../store/index.js';
import { sync } from '../store/index.js';

/** What a backup is, and all that is in it; the last entry of its zip. */
export interface Manifest {
  readonly format: 'plindo-backup';
  readonly version: 1;
  readonly madeAt: string;
  readonly database: DatabaseSums;
  readonly files: readonly FileSum[];
}

/** A file of a backup: its path in the zip, its size, and its SHA-256 in hexadecimal. */
export interface FileSum {
  readonly path: string;
  readonly bytes: number;
  readonly sha256: string;
}

const MANIFEST = 'manifest.json';
const LARGEST_MANIFEST_IN_BYTES = 512 * 1024 * 1024;
const MOST_ENTRIES = 10_000_000;
/** What a path in a backup looks like; nothing else is unpacked. */
const PATH = /^(store\.(sqlite|dump)|secret\.key|(pictures|files)\/[\w.-]+)$/;

export async function sumOfFile(path: string): Promise<Omit<FileSum, 'path'>> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return { bytes: (await stat(path)).size, sha256: hash.digest('hex') };
}

/** Writes files into a zip, with their sums; `sources` says where the file of each path lies. */
export async function writeBackupZip(
  target: string,
  sources: ReadonlyMap<string, string>,
  about: Pick<Manifest, 'madeAt' | 'database'>,
): Promise<Manifest> {
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream as Readable, createWriteStream(target));
  const files: FileSum[] = [];
  for (const [path, source] of sources) {
    files.push({ path, ...(await sumOfFile(source)) });
    // Pictures are as small as they get.
    zip.addFile(source, path, { compress: path.startsWith('store.sqlite') });
  }
  const manifest: Manifest = { format: 'plindo-backup', version: 1, ...about, files };
  zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`), MANIFEST);
  zip.end();
  await written;
  await sync(target);
  return manifest;
}

/**
 * Unpacks a backup into a folder and compares each file with its sum. Throws, in sentences, when it is no backup or when
 * anything in it is missing or damaged.
 */
export async function unpackBackupZip(path: string, folder: string): Promise<Manifest> {
  const zip = await openZip(path, notABackup);
  try {
    const entries = await entriesOf(zip, MOST_ENTRIES, notABackup);
    const manifest = await manifestIn(zip, entries);
    for (const { path: name, bytes, sha256 } of manifest.files) {
      if (!PATH.test(name)) throw new Error(`The backup names a file that no backup has: ${name}.`);
      const entry = entries.get(name);
      if (entry?.uncompressedSize !== bytes) throw new Error(`${name} is missing in the backup, or of another size.`);
      const to = join(folder, name);
      await mkdir(dirname(to), { recursive: true });
      const isWhole = await pipeline(await streamOf(zip, entry, notABackup), createWriteStream(to)).then(
        async () => (await sumOfFile(to)).sha256 === sha256,
        (error: unknown) => {
          if (isOfDisk(error)) throw error as Error;
          return false;
        },
      );
      if (!isWhole) throw new Error(`${name} in the backup is damaged.`);
    }
    return manifest;
  } finally {
    zip.close();
  }
}

async function manifestIn(zip: yauzl.ZipFile, entries: ReadonlyMap<string, yauzl.Entry>): Promise<Manifest> {
  const entry = entries.get(MANIFEST);
  if (!entry || entry.uncompressedSize > LARGEST_MANIFEST_IN_BYTES) throw notABackup('there is no manifest in it');
  const read = JSON.parse(
    (await buffer(await streamOf(zip, entry, notABackup))).toString('utf8'),
  ) as Partial<Manifest> | null;
  if (read?.format !== 'plindo-backup') throw notABackup('its manifest is of something else');
  if (read.version !== 1) throw new Error('A newer Plindo has made this backup. Restore it with that one.');
  return read as Manifest;
}

function notABackup(found: unknown): Error {
  const reason = found instanceof Error ? found.message : String(found);
  return new Error(`This is no whole backup of Plindo: ${reason.replace(/\.$/, '')}.`);
}

/** Whether an error is of the disk that is written to, and not of what is read. */
function isOfDisk(error: unknown): boolean {
  return /^E(NOSPC|ROFS|ACCES|PERM|IO|DQUOT)$/.test((error as NodeJS.ErrnoException).code ?? '');
}
