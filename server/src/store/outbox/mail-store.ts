import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Claim } from '../due/claims.js';
import { claimRows } from '../due/claims.js';
import type { Models } from '../models.js';
import { numberOrNull } from '../records.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

/**
 * What became of a mail: it waits to be sent; it is kept, as there is nothing to send it by; it was sent; or it was
 * refused for good.
 */
export const MAIL_STATES = ['waiting', 'kept', 'sent', 'refused'] as const;
export type MailState = (typeof MAIL_STATES)[number];

/** A mail in the outbox. Moments are milliseconds since 1970. */
export interface Mail {
  readonly id: number;
  readonly messageId: string;
  readonly about: string;
  readonly recipient: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly at: number;
  readonly state: MailState;
  readonly sentAt: number | null;
  /** What the mail server answered last (RFC 5321, 4.2); null for nothing. */
  readonly code: number | null;
  readonly attempts: number;
  /** Why it could not be sent; '' for nothing. */
  readonly fault: string;
}

/** What changes of a mail when it is sent. */
export type MailChange = Partial<Pick<Mail, 'state' | 'sentAt' | 'code' | 'attempts' | 'fault'>>;

/** The outbox: reading mails, and claiming those that wait to be sent. */
export class MailStore {
  constructor(
    private readonly dialect: Dialect,
    private readonly models: Models,
    private readonly brief: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>,
  ) {}

  /** The latest mails before one, those that have a text in them; and how many there are. */
  async latest(text: string, before: number | null, most: number): Promise<{ total: number; mails: Mail[] }> {
    const like = `%${text.replace(/[%_\\]/g, '')}%`;
    const found =
      text === '' ? {} : { [Op.or]: ['subject', 'recipient', 'text'].map((part) => ({ [part]: { [Op.like]: like } })) };
    const model = this.models.mails;
    const total = await model.count({ where: found });
    const where = before === null ? found : { [Op.and]: [found, { id: { [Op.lt]: before } }] };
    return { total, mails: (await rowsOf(model, { where, order: [['id', 'DESC']], limit: most })).map(mailOf) };
  }

  async one(id: number): Promise<Mail | null> {
    const row = await rowOf(this.models.mails, { where: { id } });
    return row && mailOf(row);
  }

  /** Whether a mail waits to be sent. */
  async isWaiting(): Promise<boolean> {
    return (await rowOf(this.models.mails, { attributes: ['id'], where: { state: 'waiting' } })) !== null;
  }

  /** Leaves mails that wait in the outbox, as there is nothing to send them by. */
  async keepWaiting(): Promise<void> {
    await this.brief(async (transaction) => {
      await this.models.mails.update({ state: 'kept' }, { where: { state: 'waiting' }, transaction });
    });
  }

  /** Claims the oldest mail that waits and may be sent, for one node. */
  claim(node: string, nowInMs: number, leaseInMs: number): Promise<Mail | null> {
    return this.brief(async (transaction) => {
      const claim: Claim = {
        table: 'mails',
        where: `"state" = 'waiting'`,
        order: '"id"',
        values: {},
        most: 1,
        leaseInMs,
      };
      const [row] = await claimRows(this.dialect, claim, { node, nowInMs }, transaction);
      return row ? mailOf(row) : null;
    });
  }

  /** Notes what became of a mail. */
  async note(id: number, change: MailChange, notBefore = 0): Promise<void> {
    await this.brief(async (transaction) => {
      const row = { ...change, notBefore, node: '', leaseUntil: 0 };
      await this.models.mails.update(row, { where: { id }, transaction });
    });
  }

  /** Mails that could not be sent, latest first. */
  async failed(most: number): Promise<Mail[]> {
    const where = { fault: { [Op.ne]: '' }, state: { [Op.ne]: 'sent' } };
    return (await rowsOf(this.models.mails, { where, order: [['id', 'DESC']], limit: most })).map(mailOf);
  }
}

function mailOf(row: Row): Mail {
  return {
    id: Number(row['id']),
    messageId: String(row['messageId']),
    about: String(row['about']),
    recipient: String(row['recipient']),
    subject: String(row['subject']),
    text: String(row['text']),
    html: String(row['html']),
    at: Number(row['at']),
    state: row['state'] as MailState,
    sentAt: numberOrNull(row['sentAt']),
    code: numberOrNull(row['code']),
    attempts: Number(row['attempts']),
    fault: String(row['fault'] ?? ''),
  };
}
