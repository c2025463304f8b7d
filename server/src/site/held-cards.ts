import { LRUCache } from 'lru-cache';
import type { Listing } from '@plindo/core/listings';
import type { CardModel, HeldCards } from '@plindo/core/page';
import { ViewsTold, kindsOnCards } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import { Held } from './held.js';

/** Those of some two hundred pages. */
const MOST_CARDS = 5000;

interface KeptCard {
  readonly card: CardModel;
  readonly kind: Kind;
}

/** Cards as pages have shown them lately, each as long as nothing changes that it was made of. */
export class CardsOfPages {
  private readonly kept = new LRUCache<number, Held<KeptCard>>({ max: MOST_CARDS });
  private readonly told = new ViewsTold();

  constructor(private readonly live: Live) {}

  /** To be called before a page is made: cards that are made for it may lack what changes from then on. */
  forPage(): HeldCards {
    const { revision } = this.live;
    const inUse = { kindById: (id: number) => this.live.kind(id), designs: this.live.designs() };
    const reached = new Map<number, readonly number[]>();
    const reachedBy = (kind: Kind): readonly number[] => {
      const kinds = reached.get(kind.id) ?? kindsOnCards(kind, inUse);
      reached.set(kind.id, kinds);
      return kinds;
    };
    return {
      get: (id) => this.kept.get(id)?.now(),
      keep: (card: CardModel, { id }: Listing, kind: Kind) => {
        const views = this.told.byKind(kind.id, inUse);
        const reads = { kinds: reachedBy(kind), listings: [id], views };
        this.kept.set(id, new Held<KeptCard>(this.live, reads, revision).is({ card, kind }));
      },
    };
  }
}
