import { DuckDBInstance } from '@duckdb/node-api';
import type { DuckDBConnection } from '@duckdb/node-api';
import sqlite3 from 'sqlite3';
import type { CountRow, PlaceAnswer, PlaceQuestion } from './place-queries.js';
import { answerFromRows, sqlOf } from './place-queries.js';
import { SEVERAL, SINGLE, placeRows } from './places.js';

const COLUMNS = [...SINGLE, 'population', 'height', 'since'] as const;
const ROWS_AT_ONCE = 5000;
const THREADS = '2';

/** DuckDB in memory, values in a table, several values in join tables. */
export class DuckDbPlaces {
  private constructor(private readonly connection: DuckDBConnection) {}

  static async load(n: number): Promise<DuckDbPlaces> {
    const instance = await DuckDBInstance.create(':memory:', { threads: THREADS });
    const connection = await instance.connect();
    const columns = [
      ...SINGLE.map((name) => `${name} VARCHAR`),
      'population INTEGER',
      'height INTEGER',
      'since INTEGER',
    ];
    await connection.run(`CREATE TABLE places (id INTEGER PRIMARY KEY, ${columns.join(', ')})`);
    for (const name of SEVERAL) await connection.run(`CREATE TABLE of_${name} (id INTEGER, value VARCHAR)`);
    const places = await connection.createAppender('places');
    const several = await Promise.all(SEVERAL.map((name) => connection.createAppender(`of_${name}`)));
    for (const row of placeRows(n)) {
      places.appendInteger(row.id);
      for (const name of SINGLE) places.appendVarchar(row[name]);
      for (const number of [row.population, row.height, row.since]) places.appendInteger(number);
      places.endRow();
      SEVERAL.forEach((name, at) => {
        for (const value of row[name]) {
          several[at]!.appendInteger(row.id);
          several[at]!.appendVarchar(value);
          several[at]!.endRow();
        }
      });
    }
    for (const appender of [places, ...several]) appender.closeSync();
    return new DuckDbPlaces(connection);
  }

  async ask(question: PlaceQuestion): Promise<() => PlaceAnswer> {
    const { rows, counts, page } = sqlOf(question);
    await this.connection.run(`CREATE OR REPLACE TEMP TABLE m AS ${rows}`);
    const found = await this.connection.runAndReadAll(counts);
    const first = await this.connection.runAndReadAll(page);
    return () => {
      const ids = first.getRows().map(([id]) => Number(id));
      return answerFromRows(found.getRowObjects() as unknown as CountRow[], ids);
    };
  }

  close(): void {
    this.connection.closeSync();
  }
}

/** SQLite in memory: the same tables with an index for each column, analysed; and the texts in FTS5. */
export class SqlitePlaces {
  private constructor(private readonly database: sqlite3.Database) {}

  static async load(n: number, withTexts: boolean): Promise<SqlitePlaces> {
    const places = new SqlitePlaces(new sqlite3.Database(':memory:'));
    await places.exec(`CREATE TABLE places (id INTEGER PRIMARY KEY, ${COLUMNS.join(', ')})`);
    for (const name of SEVERAL) await places.exec(`CREATE TABLE of_${name} (id INTEGER, value TEXT)`);
    if (withTexts) {
      await places.exec(
        `CREATE VIRTUAL TABLE texts USING fts5(title, description, content='', tokenize='unicode61 remove_diacritics 2')`,
      );
    }
    let rows: unknown[] = [];
    const flush = async (): Promise<void> => {
      await places.insert(rows as ReturnType<typeof plain>[], withTexts);
      rows = [];
    };
    await places.exec('BEGIN');
    for (const row of placeRows(n)) if (rows.push(plain(row)) === ROWS_AT_ONCE) await flush();
    await flush();
    await places.exec('COMMIT');
    for (const name of COLUMNS) await places.exec(`CREATE INDEX by_${name} ON places (${name})`);
    for (const name of SEVERAL) {
      await places.exec(`CREATE INDEX by_${name} ON of_${name} (value, id)`);
      await places.exec(`CREATE INDEX of_${name}_by_id ON of_${name} (id, value)`);
    }
    await places.exec('ANALYZE');
    return places;
  }

  async ask(question: PlaceQuestion): Promise<() => PlaceAnswer> {
    const { rows, counts, page } = sqlOf(question);
    await this.exec(`DROP TABLE IF EXISTS temp.m; CREATE TEMP TABLE m AS ${rows}`);
    const found = await this.all<CountRow>(counts);
    const first = await this.all<{ id: number }>(page);
    return () =>
      answerFromRows(
        found,
        first.map(({ id }) => id),
      );
  }

  /** All rows that match, as one JSON value. */
  async matching(match: string): Promise<number[]> {
    const sql = 'SELECT json_group_array(rowid) AS ids FROM texts WHERE texts MATCH ?';
    const [row] = await this.all<{ ids: string }>(sql, match);
    return JSON.parse(row!.ids) as number[];
  }

  /** The first 24 by BM25, the title weighing three times as much. */
  async firstRanked(match: string): Promise<number[]> {
    const sql = 'SELECT rowid AS id FROM texts WHERE texts MATCH ? ORDER BY bm25(texts, 3.0, 1.0) LIMIT 24';
    return (await this.all<{ id: number }>(sql, match)).map(({ id }) => id);
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.database.close(() => resolve()));
  }

  private async insert(rows: readonly ReturnType<typeof plain>[], withTexts: boolean): Promise<void> {
    const json = JSON.stringify(rows);
    const picked = COLUMNS.map((name) => `value->>'${name}'`).join(', ');
    await this.all(`INSERT INTO places SELECT value->>'id', ${picked} FROM json_each(?)`, json);
    for (const name of SEVERAL) {
      const each = `json_each(?) AS place, json_each(place.value->'${name}') AS own`;
      await this.all(`INSERT INTO of_${name} SELECT place.value->>'id', own.value FROM ${each}`, json);
    }
    if (!withTexts) return;
    const texts = `value->>'id', value->>'title', value->>'description'`;
    await this.all(`INSERT INTO texts (rowid, title, description) SELECT ${texts} FROM json_each(?)`, json);
  }

  private exec(sql: string): Promise<void> {
    return new Promise((resolve, reject) => this.database.exec(sql, (error) => (error ? reject(error) : resolve())));
  }

  private all<Row>(sql: string, ...values: unknown[]): Promise<Row[]> {
    return new Promise((resolve, reject) =>
      this.database.all<Row>(sql, values, (error, rows) => (error ? reject(error) : resolve(rows))),
    );
  }
}

function plain(row: ReturnType<typeof placeRows> extends Generator<infer Row> ? Row : never): typeof row {
  return row;
}
