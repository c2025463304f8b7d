import type { Departure } from '@plindo/core/listings';
import type { Transaction } from 'sequelize';
import { Op, QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Models } from '../models.js';
import { numberOrNull, parsed } from '../records.js';
import type { Row } from '../rows.js';
import { inParts, rowsOf } from '../rows.js';
import type { Claim } from './claims.js';
import { LATEST_AGAIN_IN_MS, claimRows } from './claims.js';

/**
 * Work that is due at moments, with what it is about: what happens to a listing that leaves (a listing), finding out anew
 * what will happen to all listings of a kind (a kind), a listing that is featured no longer (a listing), drafts that are
 * published at a moment, mails of a whole day, and backups
 * (the site: 0).
 */
export const TASKS = ['departure', 'departures', 'featured', 'drafts', 'digest', 'backup'] as const;
export type Task = (typeof TASKS)[number];

/** What is known of the departure of a listing. */
export interface DepartureState extends Omit<Departure, 'dueAt'> {
  readonly kindId: number;
}

/** How far finding out anew has come. */
export interface RenewalState {
  /** The number of the last listing that was looked at. */
  readonly after: number;
  /** Keys of the consequences that the rule had before; null where there was none. */
  readonly before: readonly string[] | null;
}

/** A piece of work. */
export interface DueRow {
  readonly id: number;
  readonly task: Task;
  readonly subject: number;
  /** Milliseconds since 1970; null when nothing more is due. */
  readonly dueAt: number | null;
  readonly state: unknown;
  readonly attempts: number;
  /** Why it failed the last time; '' when it didn't. */
  readonly fault: string;
  /** The node that has claimed it; '' for none. */
  readonly node: string;
}

/** So long work belongs to the node that claims it. */
const LEASE_IN_MS = 30_000;
/** Work that failed is tried again after so long, twice that, and so on. */
const AGAIN_AFTER_IN_MS = 2000;

/** Claiming and reading work that is due; it is written in the units that cause it and that carry it out. */
export class DueWork {
  constructor(
    private readonly dialect: Dialect,
    private readonly models: Models,
    private readonly brief: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>,
  ) {}

  /** Claims the earliest work of a sort that is due, for one node. */
  claim(task: Task, node: string, nowInMs: number, most: number): Promise<DueRow[]> {
    return this.brief(async (transaction) => {
      const where = '"task" = :task AND "dueAt" <= :now';
      const order = '"dueAt", "id"';
      const claim: Claim = { table: 'due_work', where, order, values: { task }, most, leaseInMs: LEASE_IN_MS };
      const found = await claimRows(this.dialect, claim, { node, nowInMs }, transaction);
      return found.map(dueRowOf).sort((a, b) => a.dueAt! - b.dueAt! || a.id - b.id);
    });
  }

  /** When the next work is due that nobody has failed at; null when there is none. */
  async nextMoment(): Promise<number | null> {
    const select = 'SELECT min("dueAt") AS "next" FROM due_work';
    const [row] = await this.dialect.sequelize.query<Row>(select, { type: QueryTypes.SELECT });
    return numberOrNull(row?.['next']);
  }

  /** Gives claimed work back, as it is done or couldn't be carried out. */
  async release(ids: readonly number[]): Promise<void> {
    await this.brief(async (transaction) => {
      for (const id of inParts(ids)) {
        await this.models.dueWork.update({ leaseUntil: 0, node: '' }, { where: { id }, transaction });
      }
    });
  }

  /** Notes that a piece of work failed; it is tried again later and later. */
  async fail({ id, attempts }: DueRow, fault: string, nowInMs: number): Promise<void> {
    const pause = Math.min(LATEST_AGAIN_IN_MS, AGAIN_AFTER_IN_MS * 2 ** Math.min(attempts, 20));
    const row = { attempts: attempts + 1, fault, notBefore: nowInMs + pause, leaseUntil: 0, node: '' };
    await this.brief(async (transaction) => {
      await this.models.dueWork.update(row, { where: { id }, transaction });
    });
  }

  /** Work that failed the last time, to be shown. */
  async failed(most: number): Promise<DueRow[]> {
    const where = { fault: { [Op.ne]: '' }, dueAt: { [Op.ne]: null } };
    return (await rowsOf(this.models.dueWork, { where, order: ['dueAt'], limit: most })).map(dueRowOf);
  }

  /** Departures of which something is due until a moment, the earliest first. */
  async departuresUntil(momentInMs: number, most: number): Promise<DueRow[]> {
    const where = { task: 'departure', dueAt: { [Op.lte]: momentInMs } };
    return (await rowsOf(this.models.dueWork, { where, order: ['dueAt', 'id'], limit: most })).map(dueRowOf);
  }

  /** What is known of the departures of some listings, by their numbers. */
  async departures(listings: readonly number[], transaction?: Transaction): Promise<Map<number, Departure>> {
    const found = new Map<number, Departure>();
    for (const subject of inParts(listings)) {
      const rows = await rowsOf(this.models.dueWork, { where: { task: 'departure', subject }, transaction });
      for (const row of rows.map(dueRowOf)) found.set(row.subject, departureIn(row));
    }
    return found;
  }
}

/** The departure that a row tells of. */
export function departureIn({ dueAt, state }: Pick<DueRow, 'dueAt' | 'state'>): Departure {
  const { leavesAt, done, status } = state as DepartureState;
  return { leavesAt, done, status, dueAt };
}

export function dueRowOf(row: Row): DueRow {
  return {
    id: Number(row['id']),
    task: row['task'] as Task,
    subject: Number(row['subject']),
    dueAt: numberOrNull(row['dueAt']),
    state: parsed(row['state']),
    attempts: Number(row['attempts']),
    fault: String(row['fault'] ?? ''),
    node: String(row['node'] ?? ''),
  };
}
