import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { bestMatches } from '@plindo/core/catalog';
import type { Catalog, TextMatches } from '@plindo/core/catalog';
import { BLANK_QUERY, listOfKind, runQuery, sceneOf } from '@plindo/core/query';
import { readContext } from '@plindo/core/structure';
import { wordsOf } from '@plindo/core/values';
import type { Benchmark, Measurement } from './measure.js';
import { median, percentile, timed } from './measure.js';
import { DuckDbPlaces, SqlitePlaces } from './place-engines.js';
import type { PlaceAnswer, PlaceQuestion } from './place-queries.js';
import { answerOf, isSameAnswer, queryOf, questionAt } from './place-queries.js';
import { WORDS, listingOf, placeCatalog, placeKind, placeRows } from './places.js';

const CONTEXT = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: Date.UTC(2026, 10, 25) });
const LARGE = 500_000;
/** Ratios are to be held from so many listings on. */
const LEAST_HELD = 100_000;
const TYPO_TITLES = 60;
const PAGE_SIZE = 24;
const ROUNDS = 3;
const BYTES_A_LISTING = 130;

/** Asks an engine; what it gives is made into an answer apart from the measured time. */
type Engine = (question: PlaceQuestion) => (() => PlaceAnswer) | Promise<() => PlaceAnswer>;

/** The query core beside DuckDB and SQLite on the same places, and its text search beside FTS5. */
export const queryBench: Benchmark = {
  about: 'facets, totals, first pages and text search beside DuckDB, SQLite and FTS5',
  sizes: [10_000, 100_000, 1_000_000],
  async run(n) {
    const rows = [...(await facetRows(n)), ...(await textRows(n))];
    return n < LEAST_HELD ? rows.map((row) => ({ ...row, hold: null })) : rows;
  },
  conclude(rows) {
    const ofFacets = rows.filter(
      (row) => row.case.startsWith('facets') && row.case.endsWith('median') && row.reference === 'DuckDB',
    );
    const [first, last] = [ofFacets[0], ofFacets.at(-1)];
    if (!first || !last || first === last) return [];
    const exponent = Math.log(last.oursMs / first.oursMs) / Math.log(last.n / first.n);
    return [
      `median grows from ${first.n} to ${last.n} with the exponent ${exponent.toFixed(2)} (to hold: at most 1.0)`,
    ];
  },
};

async function facetRows(n: number): Promise<Measurement[]> {
  const before = usedBytes();
  const catalog = placeCatalog(n, false);
  const bytes = usedBytes();
  const scene = sceneOf(catalog, CONTEXT);
  const questions = Array.from({ length: n > LARGE ? 12 : 40 }, (_, at) => questionAt(at));
  const ours: Engine = (question) => {
    const result = runQuery(listOfKind(catalog), queryOf(question), scene);
    return () => answerOf(result);
  };
  const own = await measured(ours, questions);
  const duck = await DuckDbPlaces.load(n);
  const duckFound = await measured((question) => duck.ask(question), questions);
  duck.close();
  const lite = await SqlitePlaces.load(n, false);
  const liteFound = await measured((question) => lite.ask(question), questions);
  await lite.close();
  const isLarge = n > LARGE;
  const row = (name: string, share: number, theirs: Measured, reference: string, hold: number | null): Measurement => {
    const [oursMs, referenceMs] = [percentile(own.times, share), percentile(theirs.times, share)];
    const equal = own.answers.every((answer, at) => isSameAnswer(answer, theirs.answers[at]!));
    return { case: `facets, ${name}`, n, oursMs, reference, referenceMs, ratio: oursMs / referenceMs, hold, equal };
  };
  return [
    row('median', 0.5, duckFound, 'DuckDB', isLarge ? 1 / 8 : 1 / 15),
    row('p95', 0.95, duckFound, 'DuckDB', isLarge ? 1 / 6 : 1 / 10),
    row('median', 0.5, liteFound, 'SQLite', 1 / 80),
    await editRow(catalog, n),
    memoryRow(n, bytes.arrays - before.arrays, bytes.all - before.all),
  ];
}

interface Measured {
  readonly answers: readonly PlaceAnswer[];
  readonly times: readonly number[];
}

/** Answers of every question, and the times of asking all of them again, several times over. */
async function measured(engine: Engine, questions: readonly PlaceQuestion[]): Promise<Measured> {
  const answers: PlaceAnswer[] = [];
  for (const question of questions) answers.push((await engine(question))());
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    for (const question of questions) times.push(await timed(() => engine(question)));
  }
  return { answers, times };
}

/** What one edit costs the catalog, beside building it anew. */
async function editRow(catalog: Catalog, n: number): Promise<Measurement> {
  const edits: number[] = [];
  let at = 0;
  for (const row of placeRows(Math.min(n, 2000))) {
    if (++at % 40 !== 0) continue;
    const listing = listingOf({ ...row, title: `Edited ${at}`, population: at }, false);
    edits.push(await timed(() => catalog.put(listing)));
  }
  const referenceMs = await timed(() => placeCatalog(n, false));
  const oursMs = median(edits);
  const ratio = oursMs / referenceMs;
  return {
    case: 'one edit, median',
    n,
    oursMs,
    reference: 'building anew',
    referenceMs,
    ratio,
    hold: null,
    equal: true,
  };
}

/** Bytes of the typed columns a listing, beside all that the catalog takes. */
function memoryRow(n: number, arrays: number, all: number): Measurement {
  return {
    case: 'columns a listing, text aside',
    n,
    oursMs: arrays / n,
    reference: 'all of the catalog',
    referenceMs: all / n,
    ratio: arrays / all,
    hold: null,
    bound: BYTES_A_LISTING,
    unit: 'bytes',
    equal: true,
  };
}

function usedBytes(): { arrays: number; all: number } {
  setFlagsFromString('--expose-gc');
  // What is let go by the first collection may hold on to arrays.
  const collect = runInNewContext('gc') as () => void;
  collect();
  collect();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return { arrays: arrayBuffers, all: heapUsed + arrayBuffers };
}

interface TextCase {
  readonly name: string;
  readonly texts: readonly string[];
  readonly match: (text: string) => string;
  readonly unfinished: boolean;
  readonly holdFirst: number | null;
}

function textCases(n: number): TextCase[] {
  const exact = (text: string): string => text;
  const rare = Array.from({ length: 10 }, (_, at) => WORDS[12_000 + at * 500]!);
  const common = WORDS.slice(3, 13);
  return [
    { name: 'common word', texts: common, match: exact, unfinished: false, holdFirst: 1 / 30 },
    { name: 'rare word', texts: rare, match: exact, unfinished: false, holdFirst: 1 / 6 },
    {
      name: 'two words',
      texts: common.map((word, at) => `${word} ${WORDS[400 + at * 37]!}`),
      match: exact,
      unfinished: false,
      holdFirst: 1 / 6,
    },
    {
      name: 'prefix',
      texts: WORDS.slice(300, 310).map((word) => word.slice(0, 4)),
      match: (text) => `${text}*`,
      unfinished: true,
      holdFirst: n > LARGE ? 1 / 4 : 1 / 10,
    },
  ];
}

async function textRows(n: number): Promise<Measurement[]> {
  const builtInMs: number[] = [];
  let catalog!: Catalog;
  builtInMs.push(await timed(() => (catalog = placeCatalog(n, true))));
  catalog.redefine({ ...placeKind(true), facets: [] });
  const reference = await SqlitePlaces.load(n, true);
  const rows: Measurement[] = [];
  for (const one of textCases(n)) rows.push(...(await textCaseRows(catalog, reference, one, n)));
  await reference.close();
  return [...rows, await typoRow(catalog, n)];
}

async function textCaseRows(
  catalog: Catalog,
  reference: SqlitePlaces,
  { name, texts, match, unfinished, holdFirst }: TextCase,
  n: number,
): Promise<Measurement[]> {
  const within = catalog.onSiteAt(CONTEXT.nowInMs);
  const scene = sceneOf(catalog, CONTEXT);
  const search = (text: string): TextMatches => catalog.text.search(text, { within, typos: false, unfinished })!;
  const best = (text: string): number[] => bestMatches(search(text), PAGE_SIZE);
  const page = (text: string): readonly number[] => runQuery(listOfKind(catalog), { ...BLANK_QUERY, text }, scene).ids;
  let equal = true;
  for (const text of texts) {
    const ours = [...search(text).rows].map((row) => catalog.ids[row]!).sort((a, b) => a - b);
    equal &&= JSON.stringify(ours) === JSON.stringify((await reference.matching(match(text))).sort((a, b) => a - b));
    best(text);
    page(text);
  }
  const times = {
    set: [] as number[],
    first: [] as number[],
    page: [] as number[],
    theirSet: [] as number[],
    theirFirst: [] as number[],
  };
  for (const text of [...texts, ...texts]) {
    times.set.push(await timed(() => search(text).rows));
    times.first.push(await timed(() => best(text)));
    times.page.push(await timed(() => page(text)));
    times.theirSet.push(await timed(() => reference.matching(match(text))));
    times.theirFirst.push(await timed(() => reference.firstRanked(match(text))));
  }
  const row = (what: string, ours: number[], theirs: number[], hold: number | null): Measurement => {
    const [oursMs, referenceMs] = [median(ours), median(theirs)];
    return {
      case: `${name}, ${what}`,
      n,
      oursMs,
      reference: 'FTS5',
      referenceMs,
      ratio: oursMs / referenceMs,
      hold,
      equal,
    };
  };
  return [
    row('all that match', times.set, times.theirSet, name === 'common word' ? 1 / 20 : null),
    row('first 24', times.first, times.theirFirst, holdFirst),
    // As visitors search: typos and unfinished words are forgiven, which FTS5 doesn't do.
    row('first 24, typos forgiven', times.page, times.theirFirst, null),
  ];
}

/** Titles of one word with a letter taken out: how many are found first, and among the first 24. */
async function typoRow(catalog: Catalog, n: number): Promise<Measurement> {
  const scene = sceneOf(catalog, CONTEXT);
  const titles = new Set<string>();
  for (const { title } of placeRows(n)) {
    const [word = '', ...others] = wordsOf(title);
    if (others.length === 0 && word.length >= 6) titles.add(word);
    if (titles.size === TYPO_TITLES * 20) break;
  }
  const asked = [...titles].filter((_, at) => at % 20 === 0).slice(0, TYPO_TITLES);
  const times: number[] = [];
  let [isFirst, isOnPage] = [0, 0];
  for (const [at, word] of asked.entries()) {
    const cut = 1 + (at % (word.length - 1));
    const typed = word.slice(0, cut) + word.slice(cut + 1);
    let ids: readonly number[] = [];
    times.push(await timed(() => (ids = runQuery(listOfKind(catalog), { ...BLANK_QUERY, text: typed }, scene).ids)));
    const found = ids.map((id) => wordsOf(catalog.titleOf(id)).join(' '));
    if (found[0] === word) isFirst++;
    if (found.includes(word)) isOnPage++;
  }
  const oursMs = median(times);
  return {
    case: `a letter left out of ${asked.length} titles: ${isFirst} first, ${isOnPage} on the page (to hold: 45, 55)`,
    n,
    oursMs,
    reference: 'itself',
    referenceMs: oursMs,
    ratio: 1,
    hold: null,
    equal: isFirst >= 45 && isOnPage >= 55,
  };
}
