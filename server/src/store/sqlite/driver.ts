import sqlite3 from 'sqlite3';

const BUSY_TIMEOUT_IN_MS = 10_000;
const COLUMNS_OF = /^PRAGMA table_info\(/;
const KEYS_ON = 'PRAGMA FOREIGN_KEYS=ON';

type Done = (error: Error | null) => void;
type RowsDone = (error: Error | null, rows: unknown[]) => void;

/**
 * SQLite's driver for one store. Sequelize opens a connection for every transaction and closes it afterwards, and asks
 * before every reading which columns the table has; together that takes longer than what it is done for. Here a
 * connection that is given back stays open for the next transaction, and columns are asked for once a table.
 */
export class StoreDriver {
  /** What Sequelize takes as its driver. */
  readonly dialectModule: object;
  private readonly idle: Connection[] = [];
  private columns: Map<string, unknown[]> | null = null;
  private isClosed = false;

  constructor() {
    const open = (file: string, mode: number, opened: Done): sqlite3.Database => this.connection(file, mode, opened);
    // Called with `new`, which takes an object that is returned for the one that it makes.
    const Database = function (file: string, mode: number, opened: Done): sqlite3.Database {
      return open(file, mode, opened);
    };
    this.dialectModule = { ...sqlite3, Database };
  }

  /** To be called when the tables have their last form: from now on their columns are remembered. */
  rememberColumns(): void {
    this.columns = new Map();
  }

  /** Closes what is kept open and not in use. */
  async close(): Promise<void> {
    this.isClosed = true;
    const closing = this.idle.splice(0).map((connection) => new Promise((resolve) => connection.close(resolve)));
    await Promise.all(closing);
  }

  private connection(file: string, mode: number, opened: Done): sqlite3.Database {
    const kept = this.idle.pop();
    if (kept) {
      process.nextTick(opened, null);
      return kept;
    }
    const connection = new Connection(file, mode, opened);
    connection.configure('busyTimeout', BUSY_TIMEOUT_IN_MS);
    // What is committed lies on the disk, also when the power fails.
    connection.exec('PRAGMA synchronous = FULL', ignored);
    connection.keeper = { columns: () => this.columns, keep: (free) => this.keep(free) };
    return connection;
  }

  private keep(connection: Connection): void {
    if (this.isClosed) connection.close(() => undefined);
    else this.idle.push(connection);
  }
}

/** What a pragma fails with, the next statement fails with too, and that one is listened to. */
function ignored(): void {
  return;
}

class Connection extends sqlite3.Database {
  keeper: { columns(): Map<string, unknown[]> | null; keep(free: Connection): void } | null = null;

  private hasKeysOn = false;
  private mayBeOpen = false;

  /** Foreign keys are turned on before every transaction; they stay on for as long as the connection is open. */
  override run(sql: string, ...rest: unknown[]): this {
    if (sql !== KEYS_ON) return super.run(sql, ...(rest as [Done]));
    if (this.hasKeysOn) return this;
    this.hasKeysOn = true;
    return super.run(sql, ignored);
  }

  override all(sql: string, ...rest: unknown[]): this {
    if (sql.startsWith('BEGIN')) this.mayBeOpen = true;
    if (sql === 'COMMIT;') return super.all(sql, this.committed(rest.at(-1) as RowsDone));
    const columns = COLUMNS_OF.test(sql) ? this.keeper?.columns() : null;
    if (!columns) return super.all(sql, ...(rest as [RowsDone]));
    const done = rest.at(-1) as RowsDone;
    const known = columns.get(sql);
    if (known) {
      done(null, known);
      return this;
    }
    return super.all(sql, (error: Error | null, rows: unknown[]) => {
      if (!error) columns.set(sql, rows);
      done(error, rows);
    });
  }

  /**
   * After a transaction Sequelize asks for it without wanting to know when it is done; then it is kept for the next one
   * who asks. What a failed commit left open ends here.
   */
  override close(done?: Done): void {
    if (done) super.close(done);
    else if (this.mayBeOpen) this.exec('ROLLBACK', () => this.free());
    else this.free();
  }

  private free(): void {
    this.mayBeOpen = false;
    this.keeper?.keep(this);
  }

  /**
   * A commit that fails, for want of room or of what is referred to, leaves its transaction open, and Sequelize sets the
   * connection aside as it is; nobody could write any more. So the transaction is ended here.
   */
  private committed(done: RowsDone): RowsDone {
    return (error, rows) => {
      this.mayBeOpen = false;
      if (!error) done(error, rows);
      else this.exec('ROLLBACK', () => done(error, rows));
    };
  }
}
