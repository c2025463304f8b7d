import { createHash } from 'node:crypto';
import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import type { KeptTexts } from '@plindo/core/catalog';
import { writeWhole } from '../store/index.js';

const FILE_NAME = /^kind-(\d+)\.texts$/;
const DIGEST_LENGTH = 32;

/**
 * What was read of the texts of listings, a file a kind, so that a start needn't read them all again. They hold nothing
 * that the store doesn't have: a file that is missing or damaged is as good as none, and whoever takes one checks every
 * document by its print.
 */
export class TextFiles {
  constructor(private readonly folder: string) {}

  /** Null for none, or one that is not as it was written. */
  async read(kindId: number): Promise<KeptTexts | null> {
    const file = await readFile(this.pathOf(kindId)).catch(() => null);
    if (!file) return null;
    const content = file.subarray(DIGEST_LENGTH);
    if (!digestOf(content).equals(file.subarray(0, DIGEST_LENGTH))) return null;
    return deserialize(content) as KeptTexts;
  }

  async write(kindId: number, kept: KeptTexts): Promise<void> {
    await mkdir(this.folder, { recursive: true });
    const content = serialize(kept);
    await writeWhole(this.pathOf(kindId), Buffer.concat([digestOf(content), content]));
  }

  /** Deletes the files of all kinds but the given ones. */
  async purge(kinds: ReadonlySet<number>): Promise<void> {
    for (const name of await readdir(this.folder).catch(() => [])) {
      const kindId = Number(FILE_NAME.exec(name)?.[1] ?? NaN);
      if (!kinds.has(kindId)) await rm(join(this.folder, name));
    }
  }

  private pathOf(kindId: number): string {
    return join(this.folder, `kind-${kindId}.texts`);
  }
}

function digestOf(content: Buffer): Buffer {
  return createHash('sha256').update(content).digest();
}
