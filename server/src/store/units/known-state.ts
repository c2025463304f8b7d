import type { Structure, StructureRecords } from '@plindo/core/plans';
import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import { LATEST_CHANGE } from '../dialect.js';
import type { StructureRows } from './structure-rows.js';

/** What is known of the store: a place in the feed, and the records of the structure there. */
export interface Known {
  readonly feed: number;
  readonly records: StructureRecords;
}

/** Whether a unit may begin with what this process knows already, or has to read it. */
export type Reading = 'as known' | 'anew';

/**
 * What this process knows of the store, so that a small change needn't read the whole structure. Where other processes
 * write too, the database tells with the lock which change was the latest; where it doesn't, nobody else writes.
 */
export class KnownState {
  private latest: Known | null = null;

  constructor(
    private readonly dialect: Dialect,
    private readonly rows: StructureRows,
  ) {}

  /** What to begin a unit with; `told` is the place in the feed where the database has told it. */
  async at(transaction: Transaction, told: number | null, reading: Reading): Promise<Known> {
    const { latest } = this;
    const isKnown = reading === 'as known' && latest !== null && (told === null || told === latest.feed);
    if (isKnown) return latest;
    const read = await this.read(transaction, told);
    if (reading === 'as known') this.latest = read;
    return read;
  }

  /** The state at one moment, read in a transaction that only reads. */
  async seen(transaction: Transaction): Promise<Known> {
    const feed = await this.latestChange(transaction);
    return this.latest?.feed === feed ? this.latest : this.read(transaction, feed);
  }

  structureOf(records: StructureRecords): Structure {
    return this.rows.of(records);
  }

  /** To be called after each change: with what is known now, or with null when that has to be read. */
  learn(known: Known | null): void {
    this.latest = known;
  }

  /** The place in the feed of the latest complete change. */
  private async latestChange(transaction: Transaction): Promise<number> {
    const options = { transaction, type: QueryTypes.SELECT } as const;
    const [row] = await this.dialect.sequelize.query<{ feed: number }>(LATEST_CHANGE, options);
    return Number(row?.feed ?? 0);
  }

  private async read(transaction: Transaction, told: number | null): Promise<Known> {
    const feed = told ?? (await this.latestChange(transaction));
    return { feed, records: await this.rows.read(feed, transaction) };
  }
}
