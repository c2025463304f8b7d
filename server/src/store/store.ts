import type { ChangeEntry, Structure } from '@plindo/core/plans';
import { isStructural } from '@plindo/core/plans';
import { ReadContexts } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Transaction } from 'sequelize';
import { AccountStore } from './accounts/account-store.js';
import { DeskStore } from './accounts/desk-store.js';
import { DoorLogStore } from './accounts/door-log-store.js';
import { SessionStore } from './accounts/session-store.js';
import { BackupStore } from './backup/backup-store.js';
import { CatalogRows } from './reading/catalog-rows.js';
import { ChangeLog, feedChange } from './units/change-log.js';
import type { ChangeLine, FeedChange } from './units/change-log.js';
import type { StagedListings } from './units/staged-listings.js';
import { Staging } from './units/staging.js';
import { openDatabase } from './database.js';
import type { Dialect, StoreTrouble } from './dialect.js';
import { DueWork } from './due/due-work.js';
import { FileStore } from './media/file-store.js';
import { ImportStore } from './units/import-store.js';
import type { Reading } from './units/known-state.js';
import { KnownState } from './units/known-state.js';
import type { Models } from './models.js';
import { defineModels } from './models.js';
import { MailStore } from './outbox/mail-store.js';
import { PictureStore } from './media/picture-store.js';
import { refusedBy } from './refused.js';
import type { SeenListings } from './reading/seen-listings.js';
import { StoreReading } from './reading/store-reading.js';
import { SubmissionStore } from './submissions/submission-store.js';
import { ViewStore } from './views/view-store.js';
import { StructureRows } from './units/structure-rows.js';
import { ThrottleStore } from './accounts/throttle-store.js';
import { Turns } from './turns.js';
import { Unit } from './units/unit.js';

/** What the work of a change answers: its result, and a sentence for the log; '' for work that changed nothing. */
export interface Written<T> {
  readonly sentence: string;
  readonly result: T;
  /** By what Plindo did it, where no user did: "the rule of Courses". */
  readonly by?: string;
}

/** What a change takes back, and what was made of it before others have to wait. */
export interface ChangeMeans {
  /** The change that it takes back; null for none. */
  readonly undone?: number | null;
  /** What is staged of it; the moment of that is the moment of the change. */
  readonly staged?: StagedListings | null;
}

/** A change that is committed. */
export interface Committed<T> {
  readonly changeId: number;
  readonly result: T;
  /** Its place in the feed; null for one that is still open. */
  readonly number: number | null;
}

/** Why somebody reads the feed: this process has made a change, or others may have. */
export type FeedReason = 'own' | 'look';

/** So many changes of this process are remembered for those who follow, who else read them from the database. */
const MOST_RECENT = 64;
const FEED_AT_ONCE = 50;
/** A feed that isn't read by then is read again: the line may have been cut without a word. */
const FEED_ANSWER_IN_MS = 5000;
const REACHED_IN_MS = 2000;

/** The truth: structure, listings and their change log, accounts, imports, and what is known of pictures and files. */
export class Store extends StoreReading {
  readonly accounts: AccountStore;
  readonly pictures: PictureStore;
  readonly files: FileStore;
  readonly imports: ImportStore;
  readonly throttles: ThrottleStore;
  readonly sessions: SessionStore;
  readonly desks: DeskStore;
  readonly doorLog: DoorLogStore;
  readonly backups: BackupStore;
  readonly submissions: SubmissionStore;
  readonly views: ViewStore;
  readonly catalogRows: CatalogRows;
  readonly log: ChangeLog;
  /** Large changes begin here. */
  readonly staging: Staging;
  readonly due: DueWork;
  readonly mails: MailStore;
  private readonly known: KnownState;
  /** Writers of this process wait for one another here; those of other processes at the database. */
  private readonly turns = new Turns();
  private readonly contexts = new ReadContexts();
  private readonly recent = new Map<number, FeedChange>();
  /** The place of the latest change of this process. */
  private latestOwn = 0;
  private readonly followers = new Set<(reason: FeedReason) => void>();

  private constructor(
    dialect: Dialect,
    models: Models,
    private readonly clock: () => Date,
  ) {
    super(dialect, models);
    const writing = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => this.writing(work);
    this.accounts = new AccountStore(models, writing);
    this.pictures = new PictureStore(models, writing);
    this.files = new FileStore(models);
    this.imports = new ImportStore(models);
    this.throttles = new ThrottleStore(models);
    this.sessions = new SessionStore(models);
    this.desks = new DeskStore(models);
    this.doorLog = new DoorLogStore(models);
    this.backups = new BackupStore(models);
    this.catalogRows = new CatalogRows(dialect);
    this.log = new ChangeLog(dialect, models);
    this.staging = new Staging(this.log, writing, clock);
    const brief = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => this.brief(work);
    this.due = new DueWork(dialect, models, brief);
    this.mails = new MailStore(dialect, models, brief);
    this.submissions = new SubmissionStore(models, brief);
    this.views = new ViewStore(dialect, models, brief);
    this.known = new KnownState(dialect, new StructureRows(models));
  }

  /** Opens the store in an SQLite file or in a PostgreSQL database, by the address of that (`postgres://…`). */
  static async open(address: string, clock: () => Date): Promise<Store> {
    const dialect = await openDatabase(address);
    return new Store(dialect, defineModels(dialect.sequelize), clock);
  }

  get dialectName(): Dialect['name'] {
    return this.dialect.name;
  }

  async close(): Promise<void> {
    await this.turns.idle();
    await this.dialect.close();
  }

  /** Why an error says that the database can't do what was asked; null where it is about something else. */
  troubleOf(error: unknown): StoreTrouble | null {
    return this.dialect.troubleOf(error);
  }

  /** Whether the same may work later. */
  isAway(error: unknown): boolean {
    const trouble = this.troubleOf(error);
    return trouble !== null && trouble !== 'damaged';
  }

  /** Whether the database answers. */
  async isReached(): Promise<boolean> {
    return inTime(this.dialect.sequelize.query('SELECT 1'), REACHED_IN_MS).then(
      () => true,
      () => false,
    );
  }

  // Writing.

  /**
   * Carries out one change in one transaction: `work` reads what it depends on and writes, both through the unit. What
   * the database refuses becomes a refusal with a code of the catalogue.
   */
  change<T>(
    userId: number | null,
    work: (unit: Unit) => Promise<Written<T>>,
    { undone = null, staged = null }: ChangeMeans = {},
  ): Promise<Committed<T>> {
    return this.unit(
      async (unit) => {
        const { sentence, result, by = '' } = await work(unit);
        await unit.finish();
        if (sentence === '' && unit.entries.length === 0) return { changeId: 0, result, number: null };
        const number = unit.feed + 1;
        const changeId = await this.writeLog(unit, { at: unit.now, userId, by, sentence }, number, staged);
        const isFirst = undone === null || (await this.log.markUndone(undone, changeId, unit.transaction));
        if (!isFirst) throw Refusal.of('change.already-undone');
        return { changeId, result, number };
      },
      'as known',
      staged?.at,
    );
  }

  /** Writes a whole change into the log; what was staged of it lies there already. */
  private async writeLog(unit: Unit, head: ChangeLine, number: number, staged: StagedListings | null): Promise<number> {
    const { entries, transaction } = unit;
    if (staged) {
      const ahead = new Set<ChangeEntry>(staged.entries);
      const others = entries.filter((entry) => !ahead.has(entry));
      const isCarriedOut = entries.length - others.length === ahead.size;
      if (isCarriedOut && (await this.log.completeStaged(staged.changeId, head, number, transaction))) {
        await this.log.writeEntries(staged.changeId, others, transaction);
        return staged.changeId;
      }
    }
    const changeId = await this.log.writeHead(head, 'done', number, transaction);
    await this.log.writeEntries(changeId, entries, transaction);
    return changeId;
  }

  /** Begins a change that takes several transactions, such as an import; `work` gets its number. */
  openChange<T>(
    userId: number,
    sentence: string,
    work: (unit: Unit, changeId: number) => Promise<T>,
  ): Promise<Committed<T>> {
    return this.unit(async (unit) => {
      const head = { at: unit.now, userId, by: '', sentence };
      const changeId = await this.log.writeHead(head, 'open', null, unit.transaction);
      const result = await work(unit, changeId);
      await unit.finish();
      await this.log.writeEntries(changeId, unit.entries, unit.transaction);
      return { changeId, result, number: null };
    }, 'anew');
  }

  /** One more transaction of an open change. */
  async continueChange<T>(changeId: number, work: (unit: Unit) => Promise<T>): Promise<T> {
    const { result } = await this.unit(async (unit) => {
      const done = await work(unit);
      await unit.finish();
      await this.log.writeEntries(changeId, unit.entries, unit.transaction);
      return { changeId, result: done, number: null };
    }, 'anew');
    return result;
  }

  /** Completes an open change; from now on it is in the log and in the feed. */
  completeChange<T>(changeId: number, work: (unit: Unit) => Promise<Written<T>>): Promise<Committed<T>> {
    return this.unit(async (unit) => {
      const { sentence, result } = await work(unit);
      const number = unit.feed + 1;
      await this.log.complete(changeId, sentence, number, unit.transaction);
      return { changeId, result, number };
    }, 'anew');
  }

  /**
   * Takes back an open change as if it had never begun, if it may be: `mayDrop` looks at it in the same transaction, as it
   * may have been completed or gone on in the meantime. Answers whether it was.
   */
  async dropOpenChange(changeId: number, mayDrop: (unit: Unit) => Promise<boolean>): Promise<boolean> {
    const { result } = await this.unit(async (unit) => {
      const isDropped = await mayDrop(unit);
      if (isDropped) await unit.dropChange(changeId);
      return { changeId, result: isDropped, number: null };
    }, 'anew');
    return result;
  }

  /** Carries out work that is no change of records, in a unit: nothing of it is in the log or in the feed. */
  async aside<T>(work: (unit: Unit) => Promise<T>): Promise<T> {
    const { result } = await this.unit(
      async (unit) => ({ changeId: 0, result: await work(unit), number: null }),
      'anew',
    );
    return result;
  }

  /** Runs `work` in a writing transaction that is no change of records. */
  writing<T>(work: (transaction: Transaction, feed: number | null) => Promise<T>): Promise<T> {
    return this.turns.take(() => this.dialect.write(work));
  }

  /** Runs `work` in a short writing transaction on rows that no change depends on. */
  private brief<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const run = (): Promise<T> => this.dialect.brief(work);
    return this.dialect.skipLocked === '' ? this.turns.take(run) : run();
  }

  /** Carries out a unit. Changes of several transactions are seldom, so each reads the structure anew. */
  private async unit<T>(
    work: (unit: Unit) => Promise<Committed<T>>,
    reading: Reading = 'as known',
    at?: number,
  ): Promise<Committed<T>> {
    try {
      return await this.carryOut(work, reading, at);
    } catch (error) {
      throw refusedBy(error, this.dialect) ?? error;
    }
  }

  private async carryOut<T>(
    work: (unit: Unit) => Promise<Committed<T>>,
    reading: Reading,
    at?: number,
  ): Promise<Committed<T>> {
    const { committed, unit } = await this.writing(async (transaction, told) => {
      const begun = await this.begin(transaction, told, reading, at);
      const done = await work(begun);
      if (done.number !== null) await this.dialect.announce(transaction);
      return { committed: done, unit: begun };
    });
    const { number } = committed;
    const isWhole = number !== null && reading === 'as known';
    if (isWhole) this.known.learn({ feed: number, records: unit.records });
    else if (number !== null || unit.entries.length === 0 || unit.entries.some(isStructural)) this.known.learn(null);
    if (isWhole) this.remember(number, unit.entries);
    if (number !== null) this.latestOwn = number;
    for (const wake of this.followers) wake('own');
    return committed;
  }

  private async begin(
    transaction: Transaction,
    told: number | null,
    reading: Reading,
    now = this.clock().getTime(),
  ): Promise<Unit> {
    const { feed, records } = await this.known.at(transaction, told, reading);
    const { dialect, models, contexts } = this;
    const base = { dialect, models, transaction, now, feed, records, contexts };
    return new Unit({ ...base, structure: this.known.structureOf(records) });
  }

  // The feed of changes.

  /** The structure and the place in the feed at one moment. */
  present(): Promise<{ structure: Structure; number: number }> {
    return this.dialect.read(async (transaction) => {
      const { feed, records } = await this.known.seen(transaction);
      return { structure: this.known.structureOf(records), number: feed };
    });
  }

  /**
   * The complete changes after a place in the feed, in the order of their commits; not all of very many at once. Those of
   * this process are remembered; the database is asked for others only where there must be some, or to look for them.
   */
  async feedAfter(number: number, reason: FeedReason): Promise<readonly FeedChange[]> {
    const own: FeedChange[] = [];
    for (let next = this.recent.get(number + 1); next; next = this.recent.get(next.number + 1)) own.push(next);
    const isAsked = own.length === 0 && (reason === 'look' || number < this.latestOwn);
    return isAsked ? inTime(this.log.feedAfter(number, FEED_AT_ONCE), FEED_ANSWER_IN_MS) : own;
  }

  /** Calls `wake` whenever there may be something new in the feed; answers how to stop following. */
  follow(wake: (reason: FeedReason) => void): () => Promise<void> {
    this.followers.add(wake);
    const stop = this.dialect.follow(() => wake('look'));
    return () => {
      this.followers.delete(wake);
      return stop();
    };
  }

  private remember(number: number, entries: readonly ChangeEntry[]): void {
    this.recent.set(number, feedChange(number, entries));
    this.recent.delete(number - MOST_RECENT);
  }

  /** Listings by their numbers, and how far the feed was before they were read; one that is gone is left out. */
  async see(ids: readonly number[]): Promise<SeenListings> {
    const { number: feed } = await this.present();
    return { feed, listings: new Map((await this.listings(ids)).map((one) => [one.id, one])) };
  }

  async structure(): Promise<Structure> {
    return (await this.present()).structure;
  }
}

/** What is asked, or a failure when it takes too long. */
async function inTime<T>(asked: Promise<T>, longestInMs: number): Promise<T> {
  let late: NodeJS.Timeout | undefined;
  const tooLong = new Promise<never>((_, reject) => {
    late = setTimeout(() => reject(new Error('The database did not answer in time.')), longestInMs);
  });
  // Whoever comes second is not waited for any more.
  asked.catch(() => undefined);
  return Promise.race([asked, tooLong]).finally(() => clearTimeout(late));
}
