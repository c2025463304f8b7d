import type { KeptFile } from '@plindo/core/structure';
import type { Models } from '../models.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

/** What is known of kept files; their bytes lie in files beside the database. */
export class FileStore {
  constructor(private readonly models: Models) {}

  async find(hash: string): Promise<KeptFile | null> {
    const row = await rowOf(this.models.files, { where: { hash } });
    return row && fileOf(row);
  }

  async all(): Promise<KeptFile[]> {
    return (await rowsOf(this.models.files, {})).map(fileOf);
  }

  async add(file: KeptFile, createdAt: number): Promise<void> {
    await this.models.files.upsert({ ...file, createdAt });
  }

  /** Takes out files that came for a change that failed. */
  async forget(hashes: readonly string[]): Promise<void> {
    await this.models.files.destroy({ where: { hash: [...hashes] } });
  }
}

function fileOf(row: Row): KeptFile {
  const [hash, name, type] = ['hash', 'name', 'type'].map((column) => String(row[column]));
  return { hash: hash!, name: name!, type: type!, bytes: Number(row['bytes']) };
}
