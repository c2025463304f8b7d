import MiniSearch from 'minisearch';
import { wordsOf } from '../values/index.js';
import type { TextDocument, TextIndex, TextMatches } from './text-index.js';

const TITLE_BOOST = 4;
const SUMMARY_BOOST = 1.5;

/** How many letters may be wrong in a word of this length. */
export function typosAllowed(word: string): number {
  if (word.length >= 8) return 2;
  return word.length >= 4 ? 1 : 0;
}

interface Entry extends TextDocument {
  readonly id: number;
}

/** The text index on MiniSearch; to be replaced by an index of our own behind the same interface. */
export class MiniSearchIndex implements TextIndex {
  private readonly index: MiniSearch<Entry>;
  private readonly boost: Record<string, number>;

  /** `weights` are all search weights that the kind's fields have. */
  constructor(weights: readonly number[]) {
    this.boost = { title: TITLE_BOOST, summary: SUMMARY_BOOST };
    for (const weight of weights) this.boost[`weight-${weight}`] = weight;
    this.index = new MiniSearch<Entry>({
      fields: Object.keys(this.boost),
      extractField: (entry, name) => extract(entry, name) as string,
      tokenize: wordsOf,
      processTerm: (term) => term,
    });
  }

  put(row: number, document: TextDocument): void {
    this.remove(row);
    this.index.add({ id: row, ...document });
  }

  remove(row: number): void {
    if (this.index.has(row)) this.index.discard(row);
  }

  search(text: string): TextMatches | null {
    if (wordsOf(text).length === 0) return null;
    const found = this.index.search(text, {
      combineWith: 'AND',
      boost: this.boost,
      prefix: (_term, at, terms) => at === terms.length - 1,
      fuzzy: (term) => typosAllowed(term),
    });
    return new Map(found.map(({ id, score }) => [id as number, score]));
  }
}

/** MiniSearch takes the id through here too, and keeps it as it comes. */
function extract(entry: Entry, name: string): unknown {
  if (name === 'id') return entry.id;
  if (name === 'title') return entry.title;
  if (name === 'summary') return entry.summary;
  return entry.byWeight.get(Number(name.slice('weight-'.length))) ?? '';
}
