import type { CalendarEntry, ExpiryEffects } from '../listings/index.js';

/** A mail in the outbox, without what it says. Moments are ISO 8601. */
export interface MailSummary {
  readonly id: number;
  /** What it is about: the name of a notice, or "day" for the mail of a day. */
  readonly about: string;
  readonly recipient: string;
  readonly subject: string;
  readonly at: string;
  readonly state: 'waiting' | 'kept' | 'sent' | 'refused';
  /** ISO 8601; null as long as it was not sent. */
  readonly sentAt: string | null;
  /** What the mail server answered last; null for nothing. */
  readonly code: number | null;
  readonly attempts: number;
  /** Why it could not be sent; '' for nothing. */
  readonly fault: string;
}

export interface MailWhole extends MailSummary {
  readonly messageId: string;
  readonly text: string;
  readonly html: string;
}

export interface MailWindow {
  readonly total: number;
  /** Whether there is a mail server that sends them; else they stay here. */
  readonly sends: boolean;
  /** The latest first. */
  readonly mails: readonly MailSummary[];
}

/** Something that Plindo did by itself. */
export interface CalendarDeed {
  /** Of the change. */
  readonly id: number;
  /** ISO 8601. */
  readonly at: string;
  /** "the rule of Courses" */
  readonly by: string;
  readonly sentence: string;
  readonly undone: boolean;
}

/** What happens by itself in a stretch of time. */
export interface CalendarView {
  /** What is still to come, by the rules as they are. */
  readonly coming: readonly CalendarEntry[];
  readonly done: readonly CalendarDeed[];
}

/** What another zone would do to the listings of a kind. */
export interface ZoneEffects {
  readonly kindId: number;
  /** What many of its listings are called. */
  readonly many: string;
  readonly effects: ExpiryEffects;
}

/** A backup that was made, or could not be. */
export interface BackupSummary {
  readonly id: number;
  /** ISO 8601. */
  readonly at: string;
  /** Of its file. */
  readonly name: string;
  readonly bytes: number;
  readonly rows: number;
  /** Pictures and files. */
  readonly files: number;
  readonly tookInMs: number;
  /** By restoring it aside and comparing, or by comparing its files alone. */
  readonly verified: 'restored' | 'read';
  /** Why it could not be made; '' for one that was. */
  readonly fault: string;
}

export interface Backups {
  /** Where they lie on the server. */
  readonly folder: string;
  readonly isRunning: boolean;
  /** The last one first. */
  readonly backups: readonly BackupSummary[];
}
