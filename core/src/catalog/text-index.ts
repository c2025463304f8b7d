/** What the search reads of one listing. */
export interface TextDocument {
  readonly title: string;
  readonly summary: string;
  /** Words of the searchable fields, joined, by their weight. */
  readonly byWeight: ReadonlyMap<number, string>;
}

/** The rows that a search finds, each with how well it fits; higher is better. */
export type TextMatches = ReadonlyMap<number, number>;

/** Finds rows by words: case, accents and hyphens don't matter, the last word may be unfinished, typos are forgiven. */
export interface TextIndex {
  put(row: number, document: TextDocument): void;
  remove(row: number): void;
  /** Null when the text holds no word to look for. */
  search(text: string): TextMatches | null;
}
