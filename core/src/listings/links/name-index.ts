import { foldText, normaliseLine } from '../../values/index.js';

/** What a text names: one listing, several that can't be told apart by it, or none. */
export type Named = { readonly id: number } | 'several' | 'none';

/** Listings found by a text that names them: as it is written, or else without regard to case and accents. */
export class NameIndex {
  private readonly exact = new Map<string, number | null>();
  private readonly folded = new Map<string, number | null>();

  /** Adds what names a listing; an empty text names none. */
  add(id: number, name: string): void {
    const line = normaliseLine(name);
    if (line === '') return;
    put(this.exact, line, id);
    put(this.folded, foldText(line), id);
  }

  find(text: string): Named {
    const line = normaliseLine(text);
    const found = this.exact.get(line) ?? this.folded.get(foldText(line));
    if (found !== undefined && found !== null) return { id: found };
    return this.folded.has(foldText(line)) ? 'several' : 'none';
  }
}

/** Null stands for several. */
function put(map: Map<string, number | null>, text: string, id: number): void {
  const known = map.get(text);
  map.set(text, known === undefined || known === id ? id : null);
}
