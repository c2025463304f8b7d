import type { FacetChoice, Query, QueryResult } from '@plindo/core/query';
import type { FacetName } from './places.js';
import { SEVERAL, SINGLE } from './places.js';

/** What is asked of every engine: values of two or three facets, and a range of the population. */
export interface PlaceQuestion {
  readonly chosen: ReadonlyMap<FacetName, readonly string[]>;
  readonly least: number;
  readonly greatest: number;
}

/** What every engine answers. */
export interface PlaceAnswer {
  readonly total: number;
  readonly ids: readonly number[];
  /** By facet, the values with a count above 0. */
  readonly counts: ReadonlyMap<FacetName, ReadonlyMap<string, number>>;
  /** Least and greatest population under every facet but the range itself. */
  readonly bounds: readonly [number, number] | null;
}

const COUNTRIES = ['us', 'in', 'br', 'de', 'fr', 'mx', 'cn', 'ru', 'it', 'pl', 'ng', 'jp'];
const FEATURES = ['ppl', 'ppla', 'ppla2', 'ppla3', 'pplx'];

/** Other choices for each number: now dense, now sparse. */
export function questionAt(at: number): PlaceQuestion {
  const chosen = new Map<FacetName, readonly string[]>();
  if (at % 2 === 0)
    chosen.set(
      'country',
      [0, 1, 2, 3].map((step) => COUNTRIES[(at + step) % COUNTRIES.length]!),
    );
  else chosen.set('dozen', [`d${at % 12}`, `d${(at + 5) % 12}`]);
  if (at % 3 === 0) chosen.set('feature', [FEATURES[at % FEATURES.length]!, 'ppl']);
  else chosen.set('sixty', [`s${at % 20}`, `s${(at * 3) % 30}`, `s${(at * 5) % 10}`]);
  if (at % 4 === 1) chosen.set('grade', [`g${at % 10}`, `g${(at + 3) % 10}`]);
  return { chosen, least: 500 * (at % 8), greatest: 20_000 + 10_000 * (at % 9) };
}

export function queryOf({ chosen, least, greatest }: PlaceQuestion): Query {
  const choices = new Map<string, FacetChoice>(
    [...chosen].map(([key, values]) => [key, { kind: 'values', values }] as const),
  );
  choices.set('population', { kind: 'range', least, greatest });
  return { text: '', choices, sort: 'largest', page: 1 };
}

export function answerOf(result: QueryResult): PlaceAnswer {
  const counts = [...SINGLE, ...SEVERAL].map((name) => {
    const found = result.counts.get(name);
    const all = found?.kind === 'values' ? [...found.counts] : [];
    return [name, new Map(all.filter(([, count]) => count > 0))] as const;
  });
  const population = result.counts.get('population');
  const bounds = population?.kind === 'range' ? population.bounds : null;
  return {
    total: result.total,
    ids: result.ids,
    counts: new Map(counts),
    bounds: bounds && [bounds.least, bounds.greatest],
  };
}

export function isSameAnswer(a: PlaceAnswer, b: PlaceAnswer): boolean {
  const isSameCounts = [...a.counts].every(([name, counts]) => {
    const other = b.counts.get(name);
    return other?.size === counts.size && [...counts].every(([value, count]) => other.get(value) === count);
  });
  const plain = ({ total, ids, bounds }: PlaceAnswer): string => JSON.stringify([total, ids, bounds]);
  return isSameCounts && plain(a) === plain(b);
}

const quoted = (values: readonly string[]): string => values.map((value) => `'${value}'`).join(', ');

/** The conditions of a question in SQL, by what they are about. */
function conditionsOf({ chosen, least, greatest }: PlaceQuestion): [string, string][] {
  const ofFacets = [...chosen].map(([name, values]): [string, string] => {
    const isSingle = (SINGLE as readonly string[]).includes(name);
    const within = `IN (${quoted(values)})`;
    return [name, isSingle ? `${name} ${within}` : `id IN (SELECT id FROM of_${name} WHERE value ${within})`];
  });
  return [...ofFacets, ['population', `population BETWEEN ${least} AND ${greatest}`]];
}

/**
 * A question in SQL: the rows that meet all conditions but one at most, with a flag for each condition; then counts of
 * each facet under every flag but its own. It is how one would write it by hand to be fast.
 */
export function sqlOf(question: PlaceQuestion): {
  readonly rows: string;
  readonly counts: string;
  readonly page: string;
} {
  const conditions = conditionsOf(question);
  const flags = conditions.map(([name, condition]) => `(${condition}) AS is_${name}`).join(', ');
  const all = conditions.map(([name]) => `is_${name}`);
  const without = (name: string): string => all.filter((flag) => flag !== `is_${name}`).join(' AND ') || 'true';
  const many = all.map((flag) => `(CASE WHEN ${flag} THEN 1 ELSE 0 END)`).join(' + ');
  const rows = `SELECT * FROM (SELECT *, ${flags} FROM places) AS flagged WHERE ${many} >= ${all.length - 1}`;
  const ofSingle = SINGLE.map(
    (name) =>
      `SELECT '${name}' AS facet, ${name} AS value, count(*) AS count FROM m WHERE ${without(name)} GROUP BY ${name}`,
  );
  const ofSeveral = SEVERAL.map(
    (name) =>
      `SELECT '${name}' AS facet, t.value AS value, count(*) AS count FROM m JOIN of_${name} AS t ON t.id = m.id WHERE ${without(name)} GROUP BY t.value`,
  );
  const more = [
    `SELECT 'total' AS facet, '' AS value, count(*) AS count FROM m WHERE ${all.join(' AND ')}`,
    `SELECT 'least', '', min(population) FROM m WHERE ${without('population')}`,
    `SELECT 'greatest', '', max(population) FROM m WHERE ${without('population')}`,
  ];
  return {
    rows,
    counts: [...ofSingle, ...ofSeveral, ...more].join(' UNION ALL '),
    page: `SELECT id FROM m WHERE ${all.join(' AND ')} ORDER BY population DESC, id LIMIT 24`,
  };
}

export interface CountRow {
  readonly facet: string;
  readonly value: string;
  readonly count: number | bigint | null;
}

/** An answer from the rows that the SQL of {@link sqlOf} gives. */
export function answerFromRows(rows: readonly CountRow[], ids: readonly number[]): PlaceAnswer {
  const of = (facet: string): readonly CountRow[] => rows.filter((row) => row.facet === facet);
  const counts = [...SINGLE, ...SEVERAL].map(
    (name) => [name, new Map(of(name).map(({ value, count }) => [value, Number(count)]))] as const,
  );
  const [least, greatest] = [of('least')[0]?.count, of('greatest')[0]?.count];
  return {
    total: Number(of('total')[0]?.count ?? 0),
    ids,
    counts: new Map(counts),
    bounds: least == null || greatest == null ? null : [Number(least), Number(greatest)],
  };
}
