import type { FoundListing, FoundListings } from '@plindo/core/contract';
import type { Catalog } from '@plindo/core/catalog';
import { foldText } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';

const MOST_FOUND = 12;

interface Hit {
  readonly catalog: Catalog;
  readonly row: number;
  readonly score: number;
  /** 0 when the title begins with what was typed, 1 for any other match, 2 in the bin. */
  readonly place: number;
}

/** Finds listings of all kinds by words, for the jump box. */
export class Finder {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** The best matches first, those in the bin last. */
  async find(text: string): Promise<FoundListings> {
    const hits = this.live.kinds().flatMap(({ id }) => this.hitsIn(id, text));
    hits.sort((a, b) => a.place - b.place || b.score - a.score);
    const first = hits.slice(0, MOST_FOUND);
    const kept = await this.store.listings(first.map(({ catalog, row }) => catalog.ids[row]!));
    const listings = kept.map((listing): FoundListing => {
      const { id, kindId, title, status, picture } = listing;
      return { id, kindId, title, status, picture };
    });
    return { total: hits.length, listings };
  }

  private hitsIn(kindId: number, text: string): Hit[] {
    const catalog = this.live.catalog(kindId);
    const matches = catalog?.text.search(text, { within: catalog.existing });
    if (!catalog || !matches || matches.met < matches.wanted) return [];
    const wanted = foldText(text.trim());
    const scores = matches.scores();
    return [...matches.rows].map((row) => {
      const begins = foldText(catalog.title.textAt(row) ?? '').startsWith(wanted);
      const place = catalog.statusAt(row) === 'binned' ? 2 : begins ? 0 : 1;
      // Of titles that begin alike the shorter one is meant: "Kessel Light" before its berths.
      return { catalog, row, score: place === 0 ? -(catalog.title.textAt(row)?.length ?? 0) : scores[row]!, place };
    });
  }
}
