import type { Sequelize, Transaction } from 'sequelize';
import type { Row } from './rows.js';
import { inParts } from './rows.js';

/** Rows that are added at once. */
export interface ManyRows {
  readonly table: string;
  readonly columns: readonly string[];
  readonly rows: readonly Row[];
  /** What is done with a row that is there already, as `ON CONFLICT …`; '' for nothing. */
  readonly otherwise: string;
  /** Names of columns that are told of each added row, or ''. */
  readonly returning: string;
}

/** A statement with the values for its places. */
export interface BoundStatement {
  readonly sql: string;
  readonly values: unknown[];
}

/**
 * The statements that add rows, with at most so many values each, made one by one as they are asked for. `place` names
 * the value at a position, counted from 1.
 */
export function* insertions(
  { table, columns, rows, returning, otherwise }: ManyRows,
  mostValues: number,
  place: (at: number) => string,
): Generator<BoundStatement> {
  const names = columns.map((column) => `"${column}"`).join(', ');
  const told = returning === '' ? '' : ` RETURNING ${returning}`;
  for (const some of inParts(rows, Math.floor(mostValues / columns.length))) {
    const tuples = some.map(
      (_, row) => `(${columns.map((__, at) => place(row * columns.length + at + 1)).join(', ')})`,
    );
    // Two spaces, as Sequelize lets SQLite tell nothing of a statement that it takes for an insertion of its own.
    const sql = `INSERT  INTO ${table} (${names}) VALUES ${tuples.join(', ')} ${otherwise}${told}`;
    yield { sql, values: some.flatMap((row) => columns.map((column) => boundValue(row[column]))) };
  }
}

/** A value as the drivers take it: lists and objects as JSON. */
export function boundValue(value: unknown): unknown {
  return typeof value === 'object' && value !== null ? JSON.stringify(value) : (value ?? null);
}

/** Whether two values are written alike: of objects the order of properties counts too. */
export function isWrittenAlike(one: unknown, other: unknown): boolean {
  return one === other || boundValue(one) === boundValue(other);
}

/** What keeps a database from doing anything: it isn't reached, its disk is full, it may only be read, it is damaged. */
export type StoreTrouble = 'away' | 'full' | 'read-only' | 'damaged';

/** What only one kind of database knows: how it is opened, locked, followed and asked for many listings at once. */
export interface Dialect {
  readonly name: 'sqlite' | 'postgres';
  readonly sequelize: Sequelize;
  /** SQL of one JSON text with the columns of a listing that catalogs read, in the order of `PACKED_COLUMNS`. */
  readonly packedListing: string;
  /** SQL of one JSON text with number, version and moment of change of all selected listings; null for none. */
  readonly packedStates: string;
  /** Adds many rows; answers what is asked for of each, such as `"id"`. */
  insertMany<T extends object>(many: ManyRows, transaction: Transaction): Promise<T[]>;
  /**
   * Runs `work` in a transaction that is the only writing one, in all processes that have the database open; it is
   * committed when `work` is done and rolled back when it fails. Writers of this process are to take turns already.
   * `feed` is the place of the latest change, where it comes along without being asked for; null where it doesn't.
   */
  write<T>(work: (transaction: Transaction, feed: number | null) => Promise<T>): Promise<T>;
  /** What lets a query that claims rows pass over those that another process is claiming; '' where one writes at a time. */
  readonly skipLocked: string;
  /**
   * Runs `work` in a writing transaction on rows that no change depends on, so that it needn't wait for changes where the
   * database can do without.
   */
  brief<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Runs `work` in a transaction that sees one state of the database throughout. */
  read<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Runs `work` while no other process does so: for bringing tables up to date. */
  whileAlone<T>(work: () => Promise<T>): Promise<T>;
  /** Writes the whole store, as it is at one moment, into a new file; null where the database has its own means for that. */
  readonly copyTo: ((path: string) => Promise<void>) | null;
  /** To be called when the tables have their last form. */
  ready(): void;
  /** Tells other processes, at the commit of the transaction, that there is something new in the feed of changes. */
  announce(transaction: Transaction): Promise<void>;
  /** Calls `wake` when another process has announced something; answers how to stop listening. */
  follow(wake: () => void): () => Promise<void>;
  /** The greatest number that a table has given to a row by itself, those of deleted rows too. */
  lastNumber(table: string): Promise<number>;
  /** Lets a table give out greater numbers from now on. */
  countOn(table: string, last: number, transaction: Transaction): Promise<void>;
  /** Whether an error means that a constraint refused a statement. */
  isRefused(error: unknown): boolean;
  /** Why an error says that the database can't do what was asked; null where it is about something else. */
  troubleOf(error: unknown): StoreTrouble | null;
  close(): Promise<void>;
}

/** The place in the feed of the latest complete change; 0 for none. */
export const LATEST_CHANGE = 'SELECT coalesce(max("number"), 0) AS "feed" FROM changes';

/** Columns of a listing that catalogs read, in the order in which they are packed. */
export const PACKED_COLUMNS = [
  ...['id', 'kindId', 'slug', 'title', 'summary', 'author', 'status', 'place', 'values'],
  ...['shownFrom', 'shownUntil', 'featured', 'featuredFrom', 'featuredUntil', 'handOrder', 'version'],
  ...['createdAt', 'changedAt', 'publishedAt', 'binnedAt', 'address', 'expiry'],
] as const;
