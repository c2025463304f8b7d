import type { BackupSummary } from '@plindo/core/contract';
import type { Models } from '../models.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

/** A backup, with the moment in milliseconds since 1970. */
export interface BackupRecord extends Omit<BackupSummary, 'at'> {
  readonly at: number;
}

/** What is known of backups; they lie in files beside the store. */
export class BackupStore {
  constructor(private readonly models: Models) {}

  async add(given: Omit<BackupRecord, 'id'>): Promise<void> {
    await this.models.backups.create({ ...given });
  }

  /** The last one first. */
  async all(): Promise<BackupRecord[]> {
    return (await rowsOf(this.models.backups, { order: [['id', 'DESC']] })).map(recordOf);
  }

  async one(id: number): Promise<BackupRecord | null> {
    const row = await rowOf(this.models.backups, { where: { id } });
    return row && recordOf(row);
  }

  async remove(id: number): Promise<void> {
    await this.models.backups.destroy({ where: { id } });
  }
}

function recordOf(row: Row): BackupRecord {
  const number = (column: string): number => Number(row[column]);
  return {
    ...{ id: number('id'), at: number('at'), name: String(row['name']), bytes: number('bytes'), rows: number('rows') },
    ...{ files: number('files'), tookInMs: number('tookInMs'), fault: String(row['fault']) },
    verified: row['verified'] === 'restored' ? 'restored' : 'read',
  };
}
