import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { DuckDBInstance } from '@duckdb/node-api';
import type { DuckDBConnection } from '@duckdb/node-api';
import { Bitset, TextIndex, bestMatches, buildCatalog } from '@plindo/core/catalog';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import type { FacetChoice, Query } from '@plindo/core/query';
import { listOfKind, runQuery, sceneOf } from '@plindo/core/query';
import type { Facet, Field, Kind, OrderKey } from '@plindo/core/structure';
import { choicesFromLabels, makeFacet, makeField, makeKindDefinition, readContext } from '@plindo/core/structure';
import { distanceInMetres, wordsOf } from '@plindo/core/values';
import geodesic from 'geographiclib-geodesic';
import MiniSearch from 'minisearch';
import sqlite3 from 'sqlite3';

/*
 * The query core beside a SQL engine (DuckDB) on open datasets of the registry, query by query: airports.csv and
 * movies.json of the package vega-datasets, and the countries of the package world-countries. Distances beside
 * GeographicLib (C. F. F. Karney, "Algorithms for geodesics", J. Geodesy 87, 2013). Text search beside SQLite's FTS5 and
 * MiniSearch.
 */

const resolve = createRequire(import.meta.url);
const dataFile = (name: string): URL => new URL(`../../../../node_modules/vega-datasets/data/${name}`, import.meta.url);
const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: Date.UTC(2026, 10, 25) });
const PAGE_SIZE = 24;

/** One row of a dataset: its values by column; several of one column as a list, none as null. */
type Row = Readonly<Record<string, string | number | boolean | readonly string[] | null>>;

interface Dataset {
  readonly name: string;
  readonly rows: readonly Row[];
  /** Columns with one text, with several, with a number and with yes or no. */
  readonly single: readonly string[];
  readonly several: readonly string[];
  readonly numbers: readonly string[];
  readonly flags: readonly string[];
}

function airports(): Dataset {
  const file = readFileSync(dataFile('airports.csv'), 'utf8');
  const [, ...lines] = file.trim().split(/\r?\n/);
  const rows = lines.map((line): Row => {
    const cells = [...line.matchAll(/(?:^|,)(?:"([^"]*)"|([^,]*))/g)].map((cell) => (cell[1] ?? cell[2] ?? '').trim());
    const [, , city = '', state = '', country = '', latitude, longitude] = cells;
    return { city, state, country, latitude: Number(latitude), longitude: Number(longitude) };
  });
  const numbers = ['latitude', 'longitude'];
  return { name: 'airports', rows, single: ['state', 'country'], several: [], numbers, flags: [] };
}

function movies(): Dataset {
  const kept = JSON.parse(readFileSync(dataFile('movies.json'), 'utf8')) as Row[];
  const rows = kept.map((movie): Row => ({
    distributor: movie['Distributor'] ?? null,
    rating: movie['MPAA Rating'] ?? null,
    genre: movie['Major Genre'] ?? null,
    gross: movie['Worldwide Gross'] ?? null,
    imdb: movie['IMDB Rating'] ?? null,
  }));
  const single = ['distributor', 'rating', 'genre'];
  return { name: 'movies', rows, single, several: [], numbers: ['gross', 'imdb'], flags: [] };
}

interface Country {
  readonly region: string;
  readonly subregion: string;
  readonly area: number;
  readonly landlocked: boolean;
  readonly borders: readonly string[];
  readonly languages: Readonly<Record<string, string>>;
}

function countries(): Dataset {
  const kept = resolve('world-countries') as readonly Country[];
  const rows = kept.map(({ region, subregion, area, landlocked, borders, languages }): Row => ({
    region,
    subregion: subregion === '' ? null : subregion,
    area,
    landlocked,
    borders,
    languages: Object.keys(languages),
  }));
  const several = ['borders', 'languages'];
  return {
    name: 'countries',
    rows,
    single: ['region', 'subregion'],
    several,
    numbers: ['area'],
    flags: ['landlocked'],
  };
}

/** The dataset as a kind with a facet over each column, and its rows as listings. */
function asKind({ rows, single, several, numbers, flags }: Dataset, order: readonly OrderKey[]): [Kind, Listing[]] {
  const labels = (column: string): string[] => [
    ...new Set(
      rows
        .flatMap((row) => row[column] ?? [])
        .map((value) => String(value))
        .filter((text) => text !== ''),
    ),
  ];
  const choices = new Map([...single, ...several].map((column) => [column, choicesFromLabels(labels(column))]));
  const keyOf = (column: string, label: string): string =>
    choices.get(column)!.find((choice) => choice.label === label)!.key;
  const chooses = (column: string, type: 'one-choice' | 'several-choices'): Field =>
    makeField({ key: column, label: column, type, settings: { choices: choices.get(column)! } });
  const fields = [
    ...single.map((column) => chooses(column, 'one-choice')),
    ...several.map((column) => chooses(column, 'several-choices')),
    ...numbers.map((column) => makeField({ key: column, label: column, type: 'decimal' })),
    ...flags.map((column) => makeField({ key: column, label: column, type: 'yes-no' })),
  ];
  const facets = [
    ...single.map((key) => makeFacet({ key, label: key, field: key })),
    ...several.map((key) => makeFacet({ key, label: key, field: key, join: 'all' })),
    ...numbers.map((key) => makeFacet({ key, label: key, field: key, control: 'range' })),
    ...flags.map((key) => makeFacet({ key, label: key, field: key, control: 'yes-no' })),
  ];
  const kind: Kind = {
    ...makeKindDefinition({ slug: 'rows', one: 'Row', many: 'Rows', published: true, pageSize: PAGE_SIZE }),
    id: 1,
    version: 1,
    fields,
    facets,
    sortChoices: [{ key: 'tested', label: 'Tested', order }],
  };
  const valueOf = (column: string, value: NonNullable<Row[string]>): unknown => {
    if (single.includes(column)) return keyOf(column, value as string);
    return several.includes(column) ? (value as readonly string[]).map((label) => keyOf(column, label)) : value;
  };
  const isThere = (value: Row[string]): boolean =>
    value !== null && value !== '' && !(Array.isArray(value) && value.length === 0);
  const listings = rows.map((row, at): Listing => {
    const known = fields.filter(({ key }) => isThere(row[key] ?? null));
    const values = Object.fromEntries(known.map(({ key }) => [key, valueOf(key, row[key]!)]));
    const moments = { version: 1, createdAt: at, changedAt: at, publishedAt: at, binnedAt: null };
    return {
      ...BLANK_CONTENT,
      ...moments,
      id: at + 1,
      kindId: 1,
      slug: `row-${at}`,
      address: `row-${at}`,
      title: 'Row',
      status: 'live',
      values,
    };
  });
  return [kind, listings];
}

/** The same rows in SQL, values by the keys that stand in addresses. */
async function asTables({ rows, several }: Dataset, [kind, listings]: [Kind, Listing[]]): Promise<DuckDBConnection> {
  const connection = await (await DuckDBInstance.create(':memory:')).connect();
  const plain = kind.fields.filter(({ key }) => !several.includes(key));
  const typeOf = ({ type }: Field): string =>
    type === 'decimal' ? 'DOUBLE' : type === 'yes-no' ? 'BOOLEAN' : 'VARCHAR';
  await connection.run(
    `CREATE TABLE t (id INTEGER, ${plain.map((field) => `${field.key} ${typeOf(field)}`).join(', ')})`,
  );
  const literal = (value: unknown): string =>
    value === undefined ? 'NULL' : typeof value === 'string' ? `'${value.replaceAll("'", "''")}'` : String(value);
  const tuples = listings.map(
    ({ id, values }) => `(${[id, ...plain.map(({ key }) => literal(values[key]))].join(', ')})`,
  );
  await connection.run(`INSERT INTO t VALUES ${tuples.join(', ')}`);
  for (const key of several) {
    await connection.run(`CREATE TABLE of_${key} (id INTEGER, value VARCHAR)`);
    const pairs = listings.flatMap(({ id, values }) =>
      ((values[key] ?? []) as string[]).map((value) => `(${id}, ${literal(value)})`),
    );
    await connection.run(`INSERT INTO of_${key} VALUES ${pairs.join(', ')}`);
  }
  expect(rows.length).toBe(listings.length);
  return connection;
}

function conditionOf(facet: Facet, choice: FacetChoice, several: readonly string[]): string {
  const { key } = facet;
  if (choice.kind === 'range') {
    return `${key} BETWEEN ${choice.least ?? '-1e300'} AND ${choice.greatest ?? '1e300'}`;
  }
  if (choice.kind !== 'values') throw new Error('Only values and ranges are asked for here.');
  const quoted = choice.values.map((value) => `'${value.replaceAll("'", "''")}'`);
  if (facet.control === 'yes-no') return `${key} IN (${choice.values.map((value) => value === 'yes').join(', ')})`;
  if (!several.includes(key)) return `${key} IN (${quoted.join(', ')})`;
  return quoted.map((value) => `id IN (SELECT id FROM of_${key} WHERE value = ${value})`).join(' AND ');
}

/** Choices that mean something: the values of some row, and a band of its numbers. */
function questionAt(at: number, kind: Kind, listings: readonly Listing[]): Map<string, FacetChoice> {
  const row = listings[(at * 7919) % listings.length]!;
  const choices = new Map<string, FacetChoice>();
  kind.facets.forEach((facet, place) => {
    const value = row.values[facet.field];
    if (value === undefined || (at + place) % 3 === 0) return;
    if (typeof value === 'number')
      choices.set(facet.key, { kind: 'range', least: value * 0.5 - 1, greatest: Math.abs(value) * 2 });
    else if (typeof value === 'boolean') choices.set(facet.key, { kind: 'values', values: [value ? 'yes' : 'no'] });
    else
      choices.set(facet.key, {
        kind: 'values',
        values: Array.isArray(value) ? (value.slice(0, 2) as string[]) : [value as string],
      });
  });
  return choices;
}

describe('Facets and orders', () => {
  for (const dataset of [airports(), movies(), countries()]) {
    it(`are those of a SQL engine on ${dataset.name}`, async () => {
      const [number = ''] = dataset.numbers;
      for (const direction of ['up', 'down'] as const) {
        const made = asKind(dataset, [{ by: `field:${number}`, direction }]);
        const [kind, listings] = made;
        const sql = await asTables(dataset, made);
        const catalog = buildCatalog(kind, listings, 'en-GB');
        const rowsOf = async (text: string): Promise<unknown[][]> =>
          (await sql.runAndReadAll(text)).getRows() as unknown[][];
        for (let at = 0; at < 12; at++) {
          const choices = questionAt(at, kind, listings);
          const query: Query = { text: '', choices, sort: 'tested', page: 1 + (at % 2) };
          const result = runQuery(listOfKind(catalog), query, sceneOf(catalog, context));
          const conditions = [...choices].map(([key, choice]) => {
            const facet = kind.facets.find((one) => one.key === key)!;
            return [key, conditionOf(facet, choice, dataset.several)] as const;
          });
          const where = (without = ''): string =>
            conditions
              .filter(([key]) => key !== without)
              .map(([, condition]) => condition)
              .join(' AND ') || 'true';
          const order = `${number} ${direction === 'up' ? 'ASC' : 'DESC'} NULLS LAST, id`;
          const page = await rowsOf(
            `SELECT id FROM t WHERE ${where()} ORDER BY ${order} LIMIT ${PAGE_SIZE} OFFSET ${(query.page - 1) * PAGE_SIZE}`,
          );
          expect([...result.ids]).toEqual(page.map(([id]) => Number(id)));
          const [[total] = []] = await rowsOf(`SELECT count(*) FROM t WHERE ${where()}`);
          expect(result.total).toBe(Number(total));
          for (const facet of kind.facets) {
            const counts = result.counts.get(facet.key);
            const isSeveral = dataset.several.includes(facet.key);
            const others = where(facet.join === 'all' ? '' : facet.key);
            if (counts?.kind === 'range') {
              const [[least, greatest] = []] = await rowsOf(
                `SELECT min(${facet.key}), max(${facet.key}) FROM t WHERE ${others}`,
              );
              expect(counts.bounds).toEqual(
                least === null ? null : { least: Number(least), greatest: Number(greatest) },
              );
              continue;
            }
            const from = isSeveral ? `t JOIN of_${facet.key} AS o ON o.id = t.id` : 't';
            const value = isSeveral ? 'o.value' : facet.key;
            const scoped = isSeveral ? `t.id IN (SELECT id FROM t WHERE ${others})` : others;
            const found = await rowsOf(
              `SELECT ${value}, count(*) FROM ${from} WHERE ${scoped} AND ${value} IS NOT NULL GROUP BY ${value}`,
            );
            const expected = Object.fromEntries(
              found.map(([key, count]) => [
                typeof key === 'boolean' ? (key ? 'yes' : 'no') : String(key),
                Number(count),
              ]),
            );
            const own = counts?.kind === 'values' ? [...counts.counts].filter(([, count]) => count > 0) : [];
            expect(Object.fromEntries(own)).withContext(`${facet.key} in question ${at}`).toEqual(expected);
          }
        }
        sql.closeSync();
      }
    }, 60_000);
  }
});

describe('Distances', () => {
  it('are within 0.5 % of a geodesic reference, near and far, also almost around the earth', () => {
    const { Geodesic } = geodesic;
    let seed = 7;
    const random = (): number => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
    for (let at = 0; at < 3000; at++) {
      const a = { latitude: random() * 180 - 90, longitude: random() * 360 - 180 };
      const span = 10 ** (random() * 5 - 3);
      const isOpposite = at % 10 === 0;
      const b = isOpposite
        ? {
            latitude: Math.max(-90, Math.min(90, -a.latitude + random())),
            longitude: a.longitude > 0 ? a.longitude - 180 : a.longitude + 180,
          }
        : {
            latitude: Math.max(-90, Math.min(90, a.latitude + (random() - 0.5) * span)),
            longitude: ((a.longitude + (random() - 0.5) * span + 540) % 360) - 180,
          };
      const { s12 = NaN } = Geodesic.WGS84.Inverse(a.latitude, a.longitude, b.latitude, b.longitude);
      const own = distanceInMetres(a, b);
      expect(Math.abs(own - s12))
        .withContext(JSON.stringify([a, b, own, s12]))
        .toBeLessThanOrEqual(s12 * 0.005 + 0.01);
    }
  });
});

interface NamedCountry {
  readonly name: { readonly common: string; readonly native: Readonly<Record<string, { readonly official: string }>> };
}

/** Names of countries in their own languages, and airports: texts with accents, in many scripts. */
function names(): string[] {
  const native = (resolve('world-countries') as readonly NamedCountry[]).flatMap(({ name }) =>
    Object.values(name.native ?? {}).map(({ official }) => official),
  );
  const file = readFileSync(dataFile('airports.csv'), 'utf8').trim().split(/\r?\n/).slice(1);
  const ports = file.map((line) => (line.split(',')[1] ?? '').replaceAll('"', '').trim());
  return [...new Set([...native, ...ports])].filter((name) => name !== '');
}

function indexOf(titles: readonly string[]): { index: TextIndex; within: Bitset } {
  const index = new TextIndex();
  const within = new Bitset(titles.length);
  titles.forEach((title, row) => {
    index.put(row, { title, summary: '', byWeight: new Map() });
    within.add(row);
  });
  index.finish();
  return { index, within };
}

describe('Text search', () => {
  const titles = names();
  const { index, within } = indexOf(titles);

  it('finds the sets that SQLite’s FTS5 finds with accents removed, word by word', async () => {
    const database = new sqlite3.Database(':memory:');
    const all = <Row>(sql: string, ...values: unknown[]): Promise<Row[]> =>
      new Promise((done, failed) =>
        database.all<Row>(sql, values, (error, rows) => (error ? failed(error) : done(rows))),
      );
    await all(`CREATE VIRTUAL TABLE texts USING fts5(title, tokenize='unicode61 remove_diacritics 2')`);
    for (const [row, title] of titles.entries())
      await all('INSERT INTO texts (rowid, title) VALUES (?, ?)', row + 1, title);
    // Letters that are no letter with an accent (ø, ß, ı …) are folded here and not there; so are some scripts' signs.
    const words = [...new Set(titles.flatMap((title) => wordsOf(title)))].filter((word) => /^[a-z0-9]+$/.test(word));
    const isPlain = titles.map((title) => /^[\u0020-\u007e]*$/.test(title.normalize('NFD').replace(/\p{M}/gu, '')));
    for (const word of words.filter((_, at) => at % 7 === 0)) {
      const found = index.search(word, { within, typos: false, unfinished: false })!;
      const theirs = await all<{ rowid: number }>('SELECT rowid FROM texts WHERE texts MATCH ?', `"${word}"`);
      const plain = (rows: readonly number[]): number[] => rows.filter((row) => isPlain[row]).sort((a, b) => a - b);
      expect(plain([...found.rows]))
        .withContext(word)
        .toEqual(plain(theirs.map(({ rowid }) => rowid - 1)));
    }
    database.close();
  }, 60_000);

  it('has a name that is typed whole first wherever MiniSearch has it first', () => {
    const mini = new MiniSearch<{ id: number; title: string }>({ fields: ['title'], tokenize: wordsOf });
    titles.forEach((title, id) => mini.add({ id, title }));
    const asked = titles.filter((title, at) => at % 11 === 0 && wordsOf(title).length > 0);
    const folded = (row: number | undefined): string => wordsOf(titles[row ?? -1] ?? '').join(' ');
    let both = 0;
    for (const title of asked) {
      const wanted = wordsOf(title).join(' ');
      const [theirs] = mini.search(title, { combineWith: 'AND', prefix: false });
      if (folded(theirs?.id as number | undefined) !== wanted) continue;
      both++;
      expect(folded(bestMatches(index.search(title, { within })!, 1)[0]))
        .withContext(title)
        .toBe(wanted);
    }
    expect(both).toBeGreaterThan(asked.length * 0.8);
  });
});
