import { createHash } from 'node:crypto';
import type { MailText, Notice, NoticeName } from '@plindo/core/notices';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { parsed } from '../records.js';
import { inParts, rowsOf } from '../rows.js';
import type { Statements } from '../units/statements.js';

/** A mail before it lies in the outbox. */
export interface NewMail extends MailText {
  /** What it tells, to whom and of when: no two mails have the same. */
  readonly key: string;
  readonly about: NoticeName | 'day';
  readonly recipient: string;
}

/** A notice that waits for the mail of the day. */
export interface WaitingNotice {
  readonly key: string;
  readonly recipient: string;
  readonly said: Notice;
}

/** Notices and mails, written inside the unit of what causes them. */
export class OutboxRows {
  constructor(
    private readonly models: Models,
    private readonly transaction: Transaction,
    private readonly statements: Statements,
    private readonly now: number,
  ) {}

  /** Puts mails into the outbox; one that was there before stays as it is. */
  async addMails(mails: readonly NewMail[]): Promise<void> {
    const ids = new Map(mails.map((mail) => [messageIdOf(mail.key), mail]));
    const known = new Set<string>();
    for (const messageId of inParts([...ids.keys()])) {
      const options = { attributes: ['messageId'], where: { messageId }, transaction: this.transaction };
      for (const row of await rowsOf<{ messageId: string }>(this.models.mails, options)) known.add(row.messageId);
    }
    const rows = [...ids]
      .filter(([id]) => !known.has(id))
      .map(([messageId, mail]) => ({
        ...{ messageId, about: mail.about, recipient: mail.recipient, subject: mail.subject, text: mail.text },
        ...{ html: mail.html, at: this.now, state: 'waiting', sentAt: null, code: null, attempts: 0, notBefore: 0 },
        ...{ node: '', leaseUntil: 0, fault: '' },
      }));
    await this.statements.insert('mails', rows);
  }

  /** Lets notices wait for the mail of the day; one that was there before stays as it is. */
  async addWaiting(notices: readonly WaitingNotice[]): Promise<void> {
    const byKey = new Map(notices.map((notice) => [notice.key, notice]));
    for (const key of inParts([...byKey.keys()])) {
      const options = { attributes: ['key'], where: { key }, transaction: this.transaction };
      for (const row of await rowsOf<{ key: string }>(this.models.notices, options)) byKey.delete(row.key);
    }
    const rows = [...byKey.values()].map((notice) => ({ ...notice, at: this.now, mailId: null }));
    await this.statements.insert('notices', rows);
  }

  /** Notices that wait for the mail of the day, by who is told, oldest first. */
  async waiting(): Promise<Map<string, (WaitingNotice & { readonly id: number })[]>> {
    const options = { where: { mailId: null }, order: ['at', 'id'], transaction: this.transaction };
    const byRecipient = new Map<string, (WaitingNotice & { readonly id: number })[]>();
    for (const row of await rowsOf(this.models.notices, options)) {
      const recipient = String(row['recipient']);
      const said = parsed<Notice>(row['said']);
      const notice = { id: Number(row['id']), key: String(row['key']), recipient, said };
      byRecipient.set(recipient, [...(byRecipient.get(recipient) ?? []), notice]);
    }
    return byRecipient;
  }

  /** Notes which mail tells some notices. */
  async markTold(notices: readonly number[], key: string): Promise<void> {
    const [mail] = await this.statements.select('mails', { messageId: messageIdOf(key) });
    for (const id of inParts(notices)) await this.statements.update('notices', { mailId: Number(mail!['id']) }, { id });
  }
}

/** The number of a mail among all mails (RFC 5322, 3.6.4): the same for the same key, wherever it is sent again. */
export function messageIdOf(key: string): string {
  return `<${createHash('sha256').update(key).digest('hex').slice(0, 40)}@plindo.invalid>`;
}
