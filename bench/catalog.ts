import { buildCatalog } from '@plindo/core/catalog';
import type { Catalog } from '@plindo/core/catalog';
import type { Listing } from '@plindo/core/listings';
import type { FacetChoice, Query, QueryResult } from '@plindo/core/query';
import { runQuery, sceneOf } from '@plindo/core/query';
import type { Kind } from '@plindo/core/structure';
import { makeKindDefinition, proposeFacets } from '@plindo/core/structure';
import sqlite3 from 'sqlite3';
import { CONTEXT, repeatAirports } from './airports.js';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';

const QUERIES = 40;
const PAGE_SIZE = 24;
/** To hold against SQLite, by the project's own figures for the query core. */
const HOLD = 1 / 80;

/** One faceted query: two facets, a range, total, counts of all facets without their own choice, first page in order. */
export const catalogBench: Benchmark = {
  about: 'the faceted query of the catalog beside SQLite on the same rows',
  usualN: 100_000,
  async run(n) {
    const { plan, listings } = repeatAirports(n);
    const kind = kindOf(plan.fields);
    const catalog = buildCatalog(kind, listings, 'en-GB', n);
    const scene = sceneOf(catalog, CONTEXT);
    const reference = await SqliteReference.load(listings);
    const queries = Array.from({ length: QUERIES }, (_, at) => queryAt(at, kind));
    let equal = true;
    for (const query of queries) equal &&= same(runQuery(catalog, query, scene), await reference.run(query));
    const ours: number[] = [];
    const theirs: number[] = [];
    for (const query of queries) {
      ours.push(await timed(() => runQuery(catalog, query, scene)));
      theirs.push(await timed(() => reference.run(query)));
    }
    await reference.close();
    const row = (name: string, oursMs: number, referenceMs: number, hold: number | null): Measurement => ({
      case: name,
      n,
      oursMs,
      reference: 'SQLite',
      referenceMs,
      ratio: oursMs / referenceMs,
      hold,
      equal,
    });
    return [
      row('faceted query, median', median(ours), median(theirs), HOLD),
      row('faceted query, p95', percentile(ours, 0.95), percentile(theirs, 0.95), null),
      await editRow(catalog, listings, n),
    ];
  },
};

function kindOf(fields: Kind['fields']): Kind {
  return {
    ...makeKindDefinition({ slug: 'airports', one: 'Airport', many: 'Airports', published: true }),
    id: 1,
    version: 1,
    fields: fields.map((field) => ({ ...field, searchWeight: 0 })),
    facets: proposeFacets(fields),
    sortChoices: [{ key: 'north', label: 'North', order: [{ by: 'field:north', direction: 'down' }] }],
    pageSize: PAGE_SIZE,
  };
}

/** Two states, a country and a band of latitude, other ones for each query. */
function queryAt(at: number, kind: Kind): Query {
  const keys = (field: string): string[] =>
    (kind.fields.find(({ key }) => key === field)?.settings.choices ?? []).map(({ key }) => key);
  const states = keys('state');
  const countries = keys('country');
  const values = (chosen: (string | undefined)[]): FacetChoice => ({
    kind: 'values',
    values: chosen.filter((key) => key !== undefined),
  });
  return {
    text: '',
    sort: 'north',
    page: 1,
    choices: new Map<string, FacetChoice>([
      ['state', values([states[(at * 7) % states.length], states[(at * 11 + 3) % states.length]])],
      ['country', values([countries.find((key) => key === 'usa') ?? countries[0]])],
      ['north', { kind: 'range', least: 25 + (at % 10), greatest: 40 + (at % 12) }],
    ]),
  };
}

/** What an edit costs the catalog, beside building it anew. */
async function editRow(catalog: Catalog, listings: readonly Listing[], n: number): Promise<Measurement> {
  const edits: number[] = [];
  for (let at = 0; at < 50; at++) {
    const listing = listings[(at * 7919) % n]!;
    edits.push(await timed(() => catalog.put({ ...listing, title: `Edited ${at}` })));
  }
  const rebuild = await timed(() => buildCatalog(catalog.kind, listings, 'en-GB', n));
  const oursMs = median(edits);
  return {
    case: 'one edit, median',
    n,
    oursMs,
    reference: 'building anew',
    referenceMs: rebuild,
    ratio: oursMs / rebuild,
    hold: null,
    equal: true,
  };
}

interface ReferenceResult {
  readonly total: number;
  readonly ids: readonly number[];
  readonly state: ReadonlyMap<string, number>;
  readonly country: ReadonlyMap<string, number>;
  readonly north: { readonly least: number | null; readonly greatest: number | null };
}

function same(ours: QueryResult, theirs: ReferenceResult): boolean {
  const counts = (key: 'state' | 'country'): boolean => {
    const found = ours.counts.get(key);
    if (found?.kind !== 'values') return false;
    const present = [...found.counts].filter(([, count]) => count > 0);
    return present.length === theirs[key].size && present.every(([value, count]) => theirs[key].get(value) === count);
  };
  const north = ours.counts.get('north');
  const bounds = north?.kind === 'range' ? north.bounds : null;
  return (
    ours.total === theirs.total &&
    JSON.stringify(ours.ids) === JSON.stringify(theirs.ids) &&
    counts('state') &&
    counts('country') &&
    (bounds?.least ?? null) === theirs.north.least &&
    (bounds?.greatest ?? null) === theirs.north.greatest
  );
}

/** The same rows in a table with an index for each column that is asked about, analysed. */
class SqliteReference {
  private constructor(private readonly database: sqlite3.Database) {}

  static async load(listings: readonly Listing[]): Promise<SqliteReference> {
    const reference = new SqliteReference(new sqlite3.Database(':memory:'));
    await reference.exec(
      'CREATE TABLE airports (id INTEGER PRIMARY KEY, state TEXT, country TEXT, north REAL, east REAL); BEGIN',
    );
    const insert = reference.database.prepare('INSERT INTO airports VALUES (?, ?, ?, ?, ?)');
    for (const { id, values } of listings)
      insert.run(id, values['state'], values['country'], values['north'], values['east']);
    await new Promise<void>((resolve) => insert.finalize(() => resolve()));
    const indexes = ['state', 'country', 'north'].map((column) => `CREATE INDEX by_${column} ON airports (${column});`);
    await reference.exec(`COMMIT; ${indexes.join(' ')} ANALYZE;`);
    return reference;
  }

  async run({ choices }: Query): Promise<ReferenceResult> {
    const conditions = new Map([...choices].map(([key, choice]) => [key, conditionOf(key, choice)]));
    const where = (...without: string[]): string =>
      [...conditions]
        .filter(([key]) => !without.includes(key))
        .map(([, condition]) => condition)
        .join(' AND ');
    const [{ total } = { total: 0 }] = await this.all<{ total: number }>(
      `SELECT count(*) AS total FROM airports WHERE ${where()}`,
    );
    const page = await this.all<{ id: number }>(
      `SELECT id FROM airports WHERE ${where()} ORDER BY north DESC, id LIMIT ${PAGE_SIZE}`,
    );
    const counts = async (key: string): Promise<Map<string, number>> => {
      const rows = await this.all<{ value: string; count: number }>(
        `SELECT ${key} AS value, count(*) AS count FROM airports WHERE ${where(key)} GROUP BY ${key}`,
      );
      return new Map(rows.map(({ value, count }) => [value, count]));
    };
    const [north = { least: null, greatest: null }] = await this.all<ReferenceResult['north']>(
      `SELECT min(north) AS least, max(north) AS greatest FROM airports WHERE ${where('north')}`,
    );
    // Its bounds and histogram are part of the answer too.
    await this.all(`SELECT min(east), max(east) FROM airports WHERE ${where()}`);
    return {
      total,
      ids: page.map(({ id }) => id),
      state: await counts('state'),
      country: await counts('country'),
      north,
    };
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.database.close(() => resolve()));
  }

  private exec(sql: string): Promise<void> {
    return new Promise((resolve, reject) => this.database.exec(sql, (error) => (error ? reject(error) : resolve())));
  }

  private all<Row>(sql: string): Promise<Row[]> {
    return new Promise((resolve, reject) =>
      this.database.all<Row>(sql, (error, rows) => (error ? reject(error) : resolve(rows))),
    );
  }
}

function conditionOf(key: string, choice: FacetChoice): string {
  if (choice.kind === 'range') return `${key} BETWEEN ${choice.least} AND ${choice.greatest}`;
  if (choice.kind !== 'values') throw new Error('This bench asks for values and ranges only.');
  return `${key} IN (${choice.values.map((value) => `'${value}'`).join(', ')})`;
}
