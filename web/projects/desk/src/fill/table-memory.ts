import { Injectable, signal } from '@angular/core';
import type { ListingsAsk } from '@plindo/api';

export type TableAsk = Omit<ListingsAsk, 'offset' | 'limit'>;

/** How the table of each kind was last sorted and filtered, for the way through its listings one by one. */
@Injectable({ providedIn: 'root' })
export class TableMemory {
  private readonly asks = signal<ReadonlyMap<number, TableAsk>>(new Map());

  askOf(kindId: number): TableAsk {
    return this.asks().get(kindId) ?? { text: '', status: null, sort: 'title', direction: 'up' };
  }

  remember(kindId: number, ask: TableAsk): void {
    this.asks.update((asks) => new Map(asks).set(kindId, ask));
  }
}
