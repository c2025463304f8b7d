import type { RowReport, BadValuePolicy } from '@plindo/core/exchange';
import { Op } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { parsed } from '../records.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

/** An import as the store has it: how far it is, and which node answers for it until when. */
export interface ImportRecord {
  /** Number of its change. */
  readonly id: number;
  readonly userId: number;
  readonly kindId: number;
  readonly fileName: string;
  readonly policy: BadValuePolicy;
  readonly state: 'running' | 'done';
  /** Rows that the file has, that have come, that are in and that were refused. */
  readonly rows: number;
  readonly seen: number;
  readonly added: number;
  readonly refused: number;
  readonly reports: readonly RowReport[];
  readonly node: string;
  /** Until then the import counts as running, whatever becomes of its node. */
  readonly leaseUntil: number;
}

/** Imports that are running, and how those that are done ended. */
export class ImportStore {
  constructor(private readonly models: Models) {}

  async find(id: number, transaction?: Transaction): Promise<ImportRecord | null> {
    const row = await rowOf(this.models.imports, { where: { id }, transaction });
    return row && importOf(row);
  }

  async add(record: ImportRecord, transaction: Transaction): Promise<void> {
    await this.models.imports.create({ ...record }, { transaction });
  }

  /** Writes how far an import is; false when it has gone on since it was read, or is no longer running. */
  async advance(before: ImportRecord, after: ImportRecord, transaction: Transaction): Promise<boolean> {
    const where = { id: before.id, seen: before.seen, state: 'running' };
    const [written] = await this.models.imports.update({ ...after }, { where, transaction });
    return written === 1;
  }

  /** Goes on answering for imports; those that were taken over by another node are left alone. */
  async extendLeases(node: string, ids: readonly number[], leaseUntil: number): Promise<void> {
    if (ids.length === 0) return;
    await this.models.imports.update({ leaseUntil }, { where: { id: [...ids], node, state: 'running' } });
  }

  /** Running imports for which nobody answers any more. */
  async abandoned(nowInMs: number): Promise<ImportRecord[]> {
    const where = { state: 'running', leaseUntil: { [Op.lte]: nowInMs } };
    return (await rowsOf(this.models.imports, { where, order: [['id', 'ASC']] })).map(importOf);
  }
}

function importOf(row: Row): ImportRecord {
  return {
    id: Number(row['id']),
    userId: Number(row['userId']),
    kindId: Number(row['kindId']),
    fileName: String(row['fileName']),
    policy: row['policy'] as BadValuePolicy,
    state: row['state'] as ImportRecord['state'],
    rows: Number(row['rows']),
    seen: Number(row['seen']),
    added: Number(row['added']),
    refused: Number(row['refused']),
    reports: parsed(row['reports']),
    node: String(row['node']),
    leaseUntil: Number(row['leaseUntil']),
  };
}
