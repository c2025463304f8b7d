import type { Submission, SubmissionState } from '@plindo/core/submissions';
import type { Transaction, WhereOptions } from 'sequelize';
import { Op } from 'sequelize';
import type { Models } from '../models.js';
import { parsed, submissionOf } from '../records.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';
import type { SubmissionBesides } from './besides.js';
import { besidesOf } from './besides.js';

export type SubmissionRecord = Submission & SubmissionBesides;

/** Which submissions are asked for. */
export interface QueueAsk {
  readonly states: readonly SubmissionState[];
  readonly suspected: boolean;
  /** Of one kind; null for all. */
  readonly kindId: number | null;
  /** Those of one account; null for everybody's. */
  readonly userId: number | null;
  readonly offset: number;
  readonly limit: number;
}

/** What somebody has answered in a form and not sent yet. */
export interface AttemptRecord {
  readonly tokenHash: string;
  readonly formId: number;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** What is known of it, as its maker has it. */
  readonly kept: unknown;
}

/** So many are read at once where all are. */
const STRETCH = 500;

/** Reads what visitors have sent in, and keeps what they have answered before they send it. */
export class SubmissionStore {
  constructor(
    private readonly models: Models,
    private readonly brief: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>,
  ) {}

  async one(id: number): Promise<SubmissionRecord | null> {
    return this.first({ id });
  }

  /** The one to which a sender's link leads. */
  async bySecret(secretHash: string): Promise<SubmissionRecord | null> {
    return this.first({ secretHash });
  }

  /** The oldest first; and how many there are in all. */
  async queue({
    states,
    suspected,
    kindId,
    userId,
    offset,
    limit,
  }: QueueAsk): Promise<{ total: number; rows: SubmissionRecord[] }> {
    const where: WhereOptions = {
      ...{ state: [...states], suspected },
      ...(kindId !== null && { kindId }),
      ...(userId !== null && { userId }),
    };
    const total = await this.models.submissions.count({ where });
    const order: [string, string][] = [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ];
    const rows = await rowsOf(this.models.submissions, { where, order, offset, limit });
    return { total, rows: rows.map(recordOf) };
  }

  /** All that somebody with an account has sent in, the latest first. */
  async ofUser(userId: number): Promise<SubmissionRecord[]> {
    const rows = await rowsOf(this.models.submissions, {
      where: { userId },
      order: [
        ['createdAt', 'DESC'],
        ['id', 'DESC'],
      ],
    });
    return rows.map(recordOf);
  }

  /** All that were ever sent in, a stretch at a time. */
  async *all(): AsyncGenerator<SubmissionRecord[]> {
    for (let after = 0; ;) {
      const where = { id: { [Op.gt]: after } };
      const rows = await rowsOf(this.models.submissions, { where, order: [['id', 'ASC']], limit: STRETCH });
      if (rows.length === 0) return;
      yield rows.map(recordOf);
      after = Number(rows.at(-1)!['id']);
    }
  }

  /** When those came and were decided that wait, or that anything happened to since a moment, but for what may be misuse. */
  async timesSince(sinceInMs: number): Promise<Pick<Submission, 'kindId' | 'state' | 'createdAt' | 'decidedAt'>[]> {
    const since = { [Op.gte]: sinceInMs };
    const where = { suspected: false, [Op.or]: [{ state: 'waiting' }, { createdAt: since }, { changedAt: since }] };
    const rows = await rowsOf(this.models.submissions, { where });
    return rows.map((row) => {
      const { kindId, state, createdAt, decidedAt } = submissionOf(row);
      return { kindId, state, createdAt, decidedAt };
    });
  }

  /** How many wait for review, and how many of those that may be misuse. */
  async counts(): Promise<{ waiting: number; suspected: number }> {
    const count = (suspected: boolean): Promise<number> =>
      this.models.submissions.count({ where: { state: 'waiting', suspected } });
    return { waiting: await count(false), suspected: await count(true) };
  }

  /** Whether the same texts were sent in since a moment. */
  async isKnown(fingerprint: string, sinceInMs: number): Promise<boolean> {
    const where = { fingerprint, createdAt: { [Op.gte]: sinceInMs } };
    return (await this.models.submissions.count({ where })) > 0;
  }

  /** What was sent in about a listing, the latest first. */
  async ofListing(listingId: number): Promise<SubmissionRecord[]> {
    const rows = await rowsOf(this.models.submissions, {
      where: { listingId },
      order: [
        ['createdAt', 'DESC'],
        ['id', 'DESC'],
      ],
    });
    return rows.map(recordOf);
  }

  /** Gives what was sent with an e-mail address, and with no account, to the account that has proved it has that address. */
  async collect(email: string, userId: number): Promise<void> {
    await this.brief((transaction) =>
      this.models.submissions.update({ userId }, { where: { email, userId: null }, transaction }),
    );
  }

  /** Keeps an attempt in the place of the one of the same token, and drops all that are older than a moment. */
  async keepAttempt(attempt: AttemptRecord, olderThanInMs: number): Promise<void> {
    const where = { [Op.or]: [{ tokenHash: attempt.tokenHash }, { madeAt: { [Op.lt]: olderThanInMs } }] };
    await this.brief(async (transaction) => {
      await this.models.formAttempts.destroy({ where, transaction });
      await this.models.formAttempts.create({ ...attempt }, { transaction });
    });
  }

  async attempt(tokenHash: string): Promise<AttemptRecord | null> {
    const row = await rowOf(this.models.formAttempts, { where: { tokenHash } });
    return (
      row && { tokenHash, formId: Number(row['formId']), madeAt: Number(row['madeAt']), kept: parsed(row['kept']) }
    );
  }

  private async first(where: WhereOptions): Promise<SubmissionRecord | null> {
    const row = await rowOf(this.models.submissions, { where });
    return row && recordOf(row);
  }
}

function recordOf(row: Row): SubmissionRecord {
  return { ...submissionOf(row), ...besidesOf(row) };
}
