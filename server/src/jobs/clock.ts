import { Refusal } from '@plindo/core/values';
import { setImmediate as breath } from 'node:timers/promises';
import type { Tell } from '../live/live.js';
import type { Backups } from '../backup/backups.js';
import type { Drafts } from '../services/design/drafts.js';
import type { Editing } from '../services/editing.js';
import { Telling } from '../services/notices/telling.js';
import type { DepartureState, DueRow, Store, Task } from '../store/index.js';
import type { VisitCounter } from '../services/views/visit-counter.js';
import type { Mailer } from './mailer.js';
import { DepartureWork } from './departures.js';
import { RenewalWork } from './renewals.js';
import { Repeated } from './repeated.js';
import { ScheduledBackups } from './scheduled-backups.js';

/** So many departures are carried out in one transaction, so that editors between two of them hardly wait. */
const DEPARTURES_AT_ONCE = 100;

export interface ClockParts {
  readonly store: Store;
  readonly editing: Editing;
  readonly drafts: Drafts;
  readonly mailer: Mailer;
  readonly backups: Backups;
  readonly views: VisitCounter;
  /** Tells this node from others. */
  readonly node: string;
  readonly clock: () => Date;
  readonly tell: Tell;
}

/**
 * Does what is due: looks at the table of due work, claims some of it, carries it out, and looks again. Each piece is
 * carried out in the transaction that notes it as done, so it is done once, whatever stops the server; and it is due by
 * the clock at that moment, so it is never done early.
 */
export class Clock {
  private readonly departures: DepartureWork;
  private readonly renewals: RenewalWork;
  private readonly looks: Repeated;
  /** Mails wait for nothing else, and nothing waits for a slow mail server. */
  private readonly mails: Repeated;
  /** Nothing waits for a backup. */
  private readonly backups: Repeated;
  private readonly views: Repeated;

  constructor(private readonly parts: ClockParts) {
    this.departures = new DepartureWork(parts.editing, parts.node);
    this.renewals = new RenewalWork(parts.store);
    const { mailer, tell } = parts;
    this.looks = new Repeated(
      () => this.look(),
      (error) => tell(error, 'Work that is due could not be looked at.'),
    );
    this.mails = new Repeated(
      () => mailer.sendAll(() => this.mails.isStopped),
      (error) => tell(error, 'Mails that wait could not be looked at.'),
    );
    this.views = new Repeated(
      () => parts.views.look(),
      (error) => tell(error, 'Views could not be written. It will be tried again.'),
    );
    const scheduled = new ScheduledBackups(parts.store, parts.backups, parts.node, parts.clock);
    this.backups = new Repeated(
      () => scheduled.look(),
      (error) => tell(error, 'Backups could not be looked at.'),
    );
  }

  /** Begins to look by itself. */
  start(): void {
    this.looks.start();
    this.mails.start();
    this.backups.start();
    this.views.start();
  }

  async stop(): Promise<void> {
    await Promise.all([this.looks.stop(), this.mails.stop(), this.backups.stop(), this.views.stop()]);
    await this.parts.views.write();
    this.parts.mailer.close();
  }

  /** Does all that is due and sends what waits; what fails is told and tried again later. */
  async doDue(): Promise<void> {
    await this.looks.now();
    await this.mails.now();
    await this.backups.now();
  }

  private async look(): Promise<void> {
    while (!this.looks.isStopped) {
      const next = await this.parts.store.due.nextMoment();
      if (next === null || next > this.now()) return;
      // First what is found out about moments, then what happens at them.
      const done = [
        await this.one('departures', (row) => this.renew(row)),
        await this.carryOutSome(),
        await this.one('featured', (row) => this.tellFeatured(row)),
        await this.one('drafts', () => this.publishDrafts()),
        await this.one('digest', () => this.parts.store.aside((unit) => new Telling(unit).tellOfDay())),
      ];
      if (!done.includes(true)) return;
    }
  }

  /** Carries out departures that are due; answers whether there were any. */
  private async carryOutSome(): Promise<boolean> {
    const { store, node } = this.parts;
    const rows = await store.due.claim('departure', node, this.now(), DEPARTURES_AT_ONCE);
    if (rows.length === 0) return false;
    // When the claim is full, more is due than was claimed. Nothing after the last claimed moment is done now, so that the unclaimed
    // listings get their turn in between.
    const until = rows.length < DEPARTURES_AT_ONCE ? this.now() : rows.at(-1)!.dueAt!;
    for (const [kindId, own] of byKind(rows)) await this.together(kindId, own, until);
    await store.due.release(rows.map(({ id }) => id));
    await breath();
    return true;
  }

  /** All of them in one transaction; where that fails each by itself, so that one that can't be done stops no other. */
  private async together(kindId: number, rows: readonly DueRow[], until: number): Promise<void> {
    try {
      await this.departures.carryOut(kindId, rows, until);
    } catch (error) {
      if (rows.length > 1) for (const row of rows) await this.together(kindId, [row], until);
      else await this.failed(rows[0]!, error);
    }
  }

  private async one(task: Task, work: (row: DueRow) => Promise<unknown>): Promise<boolean> {
    const [row] = await this.parts.store.due.claim(task, this.parts.node, this.now(), 1);
    if (!row) return false;
    try {
      await work(row);
      await this.parts.store.due.release([row.id]);
    } catch (error) {
      await this.failed(row, error);
    }
    return true;
  }

  private async renew(row: DueRow): Promise<void> {
    while (!this.looks.isStopped && (await this.renewals.carryOut(row))) await breath();
  }

  private async publishDrafts(): Promise<void> {
    const { drafts, store } = this.parts;
    await drafts.publishDue();
    await store.aside((unit) => unit.due.putDrafts(unit.structure));
  }

  private tellFeatured({ subject, dueAt }: DueRow): Promise<void> {
    return this.parts.store.aside(async (unit) => {
      const listing = await unit.listing(subject);
      const kind = listing && unit.structure.kind(listing.kindId);
      const isOver = listing?.featured === true && listing.featuredUntil === dueAt;
      if (kind && isOver && listing.status === 'live') await new Telling(unit).tellFeatured(kind, listing, dueAt!);
      await unit.due.put('featured', subject, null);
    });
  }

  private async failed(row: DueRow, error: unknown): Promise<void> {
    const { store, tell } = this.parts;
    if (store.isAway(error)) throw error;
    if (!(error instanceof Refusal)) tell(error, `Work that is due (${row.task} ${row.subject}) failed.`);
    const fault = sentenceOf(error);
    await store.due.fail(row, fault, this.now());
    if (row.attempts > 0) return;
    // Once for each piece of work, however often it fails.
    const key = `${row.task} ${row.subject} ${row.dueAt}`;
    await store.aside((unit) => new Telling(unit).tellOfSite('problems', key, { fault }));
  }

  private now(): number {
    return this.parts.clock().getTime();
  }
}

function byKind(rows: readonly DueRow[]): Map<number, DueRow[]> {
  const kinds = new Map<number, DueRow[]>();
  for (const row of rows) {
    const { kindId } = row.state as DepartureState;
    kinds.set(kindId, [...(kinds.get(kindId) ?? []), row]);
  }
  return kinds;
}

function sentenceOf(error: unknown): string {
  if (error instanceof Refusal) return error.issues.map(({ message }) => message).join(' ');
  return error instanceof Error ? error.message : String(error);
}
