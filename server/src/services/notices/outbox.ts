import type { MailSummary, MailWhole, MailWindow } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Mail, Store } from '../../store/index.js';
import { mailFile } from './mail-form.js';

const MAILS_A_PAGE = 50;

/** The outbox as people read it. */
export class Outbox {
  constructor(
    private readonly store: Store,
    private readonly mail: { readonly server: string | null; readonly sender: string },
  ) {}

  /** The latest mails, or those before one; those that have a text in them where one is given. */
  async latest(text: string, before: number | null): Promise<MailWindow> {
    const { total, mails } = await this.store.mails.latest(text.trim(), before, MAILS_A_PAGE);
    return { total, sends: this.mail.server !== null, mails: mails.map(summaryOf) };
  }

  async one(id: number): Promise<MailWhole> {
    const mail = await this.found(id);
    const { text, html, messageId } = withoutSecrets(mail);
    return { ...summaryOf(mail), text, html, messageId };
  }

  /** A mail as a file that mail programs open, with a name for it. */
  async file(id: number): Promise<{ name: string; content: Buffer }> {
    const mail = await this.found(id);
    return { name: `mail-${id}.eml`, content: await mailFile(withoutSecrets(mail), this.mail.sender) };
  }

  private async found(id: number): Promise<Mail> {
    const mail = await this.store.mails.one(id);
    if (!mail) throw Refusal.of('request.not-found');
    return mail;
  }
}

/** Links that open a door for whoever has them are for whom the mail goes to alone, not for all who read the outbox. */
function withoutSecrets(mail: Mail): Mail {
  const hidden = (text: string): string => text.replace(/(#|\/sent\/)[\w-]{43}(?![\w-])/g, '$1…');
  return { ...mail, text: hidden(mail.text), html: hidden(mail.html) };
}

function summaryOf({ id, about, recipient, subject, at, state, sentAt, code, attempts, fault }: Mail): MailSummary {
  const iso = (moment: number): string => new Date(moment).toISOString();
  const sent = sentAt === null ? null : iso(sentAt);
  return { id, about, recipient, subject, at: iso(at), state, sentAt: sent, code, attempts, fault };
}
