import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The open dataset of the npm package vega-datasets: airports of the United States, 3,376 rows. */
export const AIRPORTS_FILE = fileURLToPath(
  new URL('../../../node_modules/vega-datasets/data/airports.csv', import.meta.url),
);

export interface Airport {
  readonly position: number;
  readonly iata: string;
  readonly name: string;
  readonly city: string;
  readonly state: string;
  readonly country: string;
}

/** The rows of the file, read here by the simplest means: it quotes cells that hold a comma, and none holds a quote. */
export function readAirports(): Airport[] {
  const [, ...lines] = readFileSync(AIRPORTS_FILE, 'utf8').trim().split(/\r?\n/);
  return lines.map((line, position) => {
    const cells = [...line.matchAll(/(?:^|,)(?:"([^"]*)"|([^,]*))/g)].map((cell) => (cell[1] ?? cell[2] ?? '').trim());
    const [iata = '', name = '', city = '', state = '', country = ''] = cells;
    return { position, iata, name: name.replace(/\s+/g, ' '), city, state, country };
  });
}

export interface Expected {
  readonly total: number;
  /** Titles of the first page, by title. */
  readonly firstPage: readonly string[];
  /** By facet, value and count; values of count 0 are left out. */
  readonly counts: Readonly<Record<'State' | 'Country', Readonly<Record<string, number>>>>;
}

/**
 * The answer to "any of these states, and these words", computed from the rows alone, by the rules as they are written
 * and with none of the program's own code: each facet's counts leave out its own choice, every word has to be met by a
 * word of the row with at most one typo from 4 letters on and two from 8, the last also by the beginning of one; where
 * no row has all words, those that have most of them count.
 */
export function expectedAnswer(
  rows: readonly Airport[],
  states: readonly string[],
  words: readonly string[],
  pageSize: number,
): Expected {
  const found = searched(rows, words);
  const chosen = found.filter((row) => states.includes(row.state));
  const byTitle = new Intl.Collator('en-GB', { numeric: true, sensitivity: 'base' });
  const fine = new Intl.Collator('en-GB', { numeric: true });
  const sorted = [...chosen].sort(
    (a, b) => byTitle.compare(a.name, b.name) || fine.compare(a.name, b.name) || a.position - b.position,
  );
  return {
    total: chosen.length,
    firstPage: sorted.slice(0, pageSize).map(({ name }) => name),
    counts: { State: tally(found.map(({ state }) => state)), Country: tally(chosen.map(({ country }) => country)) },
  };
}

function tally(values: readonly string[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const value of values) counts[value] = (counts[value] ?? 0) + 1;
  return counts;
}

/** The rows that have all words; where none has, those that have the most of them, if that is half of them at least. */
function searched(rows: readonly Airport[], words: readonly string[]): readonly Airport[] {
  const met = rows.map((row) => wordsMet(row, words));
  for (let least = words.length; least * 2 >= words.length; least--) {
    if (met.includes(least)) return rows.filter((_, at) => met[at] === least);
  }
  return [];
}

function wordsMet(row: Airport, words: readonly string[]): number {
  const text = [row.iata, row.name, row.city, row.state, row.country].join(' ').toLowerCase();
  const tokens = text.split(/[^a-z0-9]+/).filter((token) => token !== '');
  return words.filter((word, at) => {
    const allowed = word.length >= 8 ? 2 : word.length >= 4 ? 1 : 0;
    const isLast = at === words.length - 1;
    return tokens.some((token) => (isLast && token.startsWith(word)) || distance(word, token) <= allowed);
  }).length;
}

/** Edit distance with swaps of neighbours, by the recursion that defines it, with what was found before remembered. */
function distance(a: string, b: string, known = new Map<string, number>()): number {
  if (a === '' || b === '') return a.length + b.length;
  const key = `${a.length} ${b.length}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const [restA, restB] = [a.slice(1), b.slice(1)];
  const isSwapped = a.length > 1 && b.length > 1 && a[0] === b[1] && a[1] === b[0];
  const swapped = isSwapped ? 1 + distance(a.slice(2), b.slice(2), known) : Infinity;
  const result = Math.min(
    distance(restA, restB, known) + (a[0] === b[0] ? 0 : 1),
    1 + distance(restA, b, known),
    1 + distance(a, restB, known),
    swapped,
  );
  known.set(key, result);
  return result;
}
