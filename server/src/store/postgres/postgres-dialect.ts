import pg from 'pg';
import { ConnectionError, DatabaseError, ForeignKeyConstraintError, QueryTypes, Sequelize } from 'sequelize';
import { Transaction, UniqueConstraintError } from 'sequelize';
import type { Dialect, ManyRows, StoreTrouble } from '../dialect.js';
import { LATEST_CHANGE, PACKED_COLUMNS, insertions } from '../dialect.js';
import { FeedListener } from './feed-listener.js';

/** Locks of the database by which nodes agree; the numbers are Plindo's own. */
const WRITING_LOCK = 7_150_001;
const TABLES_LOCK = 7_150_002;
const CHANNEL = 'plindo_feed';

const MOST_CONNECTIONS = 10;
const CONNECT_IN_MS = 5000;
/** A node that is cut off in the middle of a change holds the lock no longer than this. */
const LONGEST_IDLE_IN_MS = 15_000;
const LONGEST_STATEMENT_IN_MS = 60_000;
/** On a line that was cut without a word, nobody waits longer for an answer. */
const LONGEST_ANSWER_IN_MS = 65_000;

/** PostgreSQL takes at most 65,535 values in one statement. */
const MOST_VALUES = 60_000;

/** Numbers of types in PostgreSQL's catalogue (pg_type). */
const INT8 = 20;

/** pg with whole numbers of eight bytes as numbers: moments and counts fit into them. */
function driver(): object {
  const getTypeParser = (id: number, format?: 'text' | 'binary'): unknown =>
    id === INT8 ? Number : pg.types.getTypeParser(id, format);
  return { ...pg, types: { ...pg.types, getTypeParser } };
}

/** PostgreSQL for one node or many: an advisory lock lets one of them write at a time, NOTIFY wakes the others. */
export function openPostgres(address: string): Promise<Dialect> {
  const limits = {
    connectionTimeoutMillis: CONNECT_IN_MS,
    idle_in_transaction_session_timeout: LONGEST_IDLE_IN_MS,
    statement_timeout: LONGEST_STATEMENT_IN_MS,
    query_timeout: LONGEST_ANSWER_IN_MS,
    keepAlive: true,
  };
  const sequelize = new Sequelize(address, {
    dialect: 'postgres',
    dialectModule: driver(),
    logging: false,
    dialectOptions: limits,
    pool: { max: MOST_CONNECTIONS, acquire: CONNECT_IN_MS * 2 },
  });
  const columns = PACKED_COLUMNS.map((name) => `"${name}"`);
  const locked = (lock: number, transaction: Transaction): Promise<unknown> =>
    sequelize.query(`SELECT pg_advisory_xact_lock(${lock})`, { transaction });
  return Promise.resolve({
    name: 'postgres',
    sequelize,
    packedListing: `json_build_array(${columns.join(', ')})::text`,
    packedStates: 'json_agg(json_build_array("id", "version", "changedAt"))::text',
    insertMany: (many, transaction) => insertMany(sequelize, many, transaction),
    write: (work) =>
      sequelize.transaction(async (transaction) => {
        // Two statements at once, as the second has to see what was committed while the first one waited.
        const both = `SELECT pg_advisory_xact_lock(${WRITING_LOCK}); ${LATEST_CHANGE}`;
        const rows = await sequelize.query<{ feed?: number }>(both, { transaction, type: QueryTypes.SELECT });
        return work(transaction, rows.at(-1)?.feed ?? null);
      }),
    skipLocked: 'FOR UPDATE SKIP LOCKED',
    brief: (work) => sequelize.transaction(work),
    read: (work) =>
      sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ, readOnly: true }, work),
    whileAlone: (work) =>
      sequelize.transaction(async (transaction) => {
        // This line rests while others carry out the migrations, however long they take.
        await sequelize.query('SET LOCAL idle_in_transaction_session_timeout = 0', { transaction });
        await locked(TABLES_LOCK, transaction);
        return work();
      }),
    copyTo: null,
    ready: () => undefined,
    announce: async (transaction) => void (await sequelize.query(`NOTIFY ${CHANNEL}`, { transaction })),
    follow(wake) {
      const listener = new FeedListener(address, CHANNEL, wake);
      return () => listener.stop();
    },
    async lastNumber(table) {
      const select = `SELECT last_value AS last FROM ${table}_id_seq WHERE is_called`;
      return (await sequelize.query<{ last: number }>(select, { type: QueryTypes.SELECT }))[0]?.last ?? 0;
    },
    async countOn(table, last, transaction) {
      // A sequence begins at 1; one that was never used stays so.
      if (last > 0) await sequelize.query(`SELECT setval('${table}_id_seq', ${last})`, { transaction });
    },
    isRefused,
    troubleOf,
    close: () => sequelize.close(),
  });
}

async function insertMany<T extends object>(
  sequelize: Sequelize,
  many: ManyRows,
  transaction: Transaction,
): Promise<T[]> {
  const told: T[] = [];
  for (const { sql, values } of insertions(many, MOST_VALUES, (at) => `$${at}`)) {
    const options = { bind: values, transaction, type: QueryTypes.SELECT as const };
    told.push(...(await sequelize.query<T>(sql, options)));
  }
  return told;
}

interface PostgresError extends Error {
  readonly code?: string;
}

function isRefused(error: unknown): boolean {
  return error instanceof ForeignKeyConstraintError || error instanceof UniqueConstraintError;
}

function troubleOf(error: unknown): StoreTrouble | null {
  const { code = '' } = (error instanceof DatabaseError ? error.parent : error) as PostgresError;
  if (code === '53100') return 'full';
  if (code === '25006') return 'read-only';
  if (/^XX00[12]/.test(code)) return 'damaged';
  return isAway(error) ? 'away' : null;
}

/** Connections that broke, and servers that are starting, stopping or full (classes 08, 53 and 57P of SQLSTATE). */
function isAway(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  if (!(error instanceof Error)) return false;
  const { code = '' } = (error instanceof DatabaseError ? error.parent : error) as PostgresError;
  if (/^(08|53|57P|25P03)/.test(code) || /^E(CONN|PIPE|HOST|TIMEDOUT)/.test(code)) return true;
  return /connection terminated|connection ended|client has encountered a connection error|not queryable/i.test(
    error.message,
  );
}
