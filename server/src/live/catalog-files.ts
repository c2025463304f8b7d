import { createHash } from 'node:crypto';
import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { deserialize, serialize } from 'node:v8';
import { crc32 } from 'node:zlib';
import type { KeptCatalog } from '@plindo/core/catalog';
import { writeWhole } from '../store/index.js';

const FILE_NAME = /^kind-(\d+)\.catalog$/;
const CHECKSUM_LENGTH = 4;

interface Kept {
  readonly program: string;
  readonly catalog: KeptCatalog;
}

/** A catalog as it comes from its file. */
export interface KeptFile {
  readonly catalog: KeptCatalog;
  /** Whether the program that kept it is the one that is running, so that its columns can be taken as they are. */
  readonly isOwn: boolean;
}

/**
 * Catalogs as they were, a file a kind, so that a start needn't read all listings again. They hold nothing that the
 * store doesn't have: a file that is missing or damaged is as good as none, and whoever takes one checks every listing
 * by its stamp.
 */
export class CatalogFiles {
  private program: Promise<string> | null = null;

  constructor(private readonly folder: string) {}

  /** Null for none, or one that is not as it was written. */
  async read(kindId: number): Promise<KeptFile | null> {
    const file = await readFile(this.pathOf(kindId)).catch(() => null);
    if (!file) return null;
    const content = file.subarray(CHECKSUM_LENGTH);
    if (file.length < CHECKSUM_LENGTH || file.readUInt32LE() !== crc32(content)) return null;
    const kept = asKept(content);
    return kept && { catalog: kept.catalog, isOwn: kept.program === (await this.running()) };
  }

  async write(kindId: number, catalog: KeptCatalog): Promise<void> {
    await mkdir(this.folder, { recursive: true });
    const content = serialize({ program: await this.running(), catalog });
    const checksum = Buffer.alloc(CHECKSUM_LENGTH);
    checksum.writeUInt32LE(crc32(content));
    await writeWhole(this.pathOf(kindId), [checksum, content]);
  }

  /** Deletes whatever is in the folder but the files of the given kinds. */
  async purge(kinds: ReadonlySet<number>): Promise<void> {
    for (const name of await readdir(this.folder).catch(() => [])) {
      const kindId = Number(FILE_NAME.exec(name)?.[1] ?? NaN);
      if (!kinds.has(kindId)) await rm(join(this.folder, name));
    }
  }

  private pathOf(kindId: number): string {
    return join(this.folder, `kind-${kindId}.catalog`);
  }

  /** Of the program's file, which holds all of it once it is bundled, and of the versions that order texts. */
  private running(): Promise<string> {
    return (this.program ??= readFile(fileURLToPath(import.meta.url)).then((file) => {
      const { node, icu } = process.versions;
      return `${createHash('sha256').update(file).digest('hex')} ${node} ${icu}`;
    }));
  }
}

/** What a file holds; null when another version of Node.js wrote it in a form that this one can't read, or for another thing. */
function asKept(content: Buffer): Kept | null {
  try {
    const kept = deserialize(content) as Partial<Kept> | null;
    return typeof kept?.program === 'string' && kept.catalog?.text
      ? { program: kept.program, catalog: kept.catalog }
      : null;
  } catch {
    return null;
  }
}
