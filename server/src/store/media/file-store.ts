import type { KeptFile } from '@plindo/core/structure';
import type { Models } from '../models.js';
import { rowOf } from '../rows.js';

/** What is known of kept files; their bytes lie in files beside the database. */
export class FileStore {
  constructor(private readonly models: Models) {}

  async find(hash: string): Promise<KeptFile | null> {
    const row = await rowOf(this.models.files, { where: { hash } });
    if (!row) return null;
    return { hash, name: String(row['name']), type: String(row['type']), bytes: Number(row['bytes']) };
  }

  async add(file: KeptFile, createdAt: number): Promise<void> {
    await this.models.files.upsert({ ...file, createdAt });
  }

  /** Takes out files that came for a change that failed. */
  async forget(hashes: readonly string[]): Promise<void> {
    await this.models.files.destroy({ where: { hash: [...hashes] } });
  }
}
