import { Injectable, signal } from '@angular/core';
import { FIRST_ASK } from '@plindo/api';
import type { TableAsk } from '@plindo/core/contract';

/** How the table of each kind was last sorted and filtered, for the way through its listings one by one. */
@Injectable({ providedIn: 'root' })
export class TableMemory {
  private readonly asks = signal<ReadonlyMap<number, TableAsk>>(new Map());

  askOf(kindId: number): TableAsk {
    return this.asks().get(kindId) ?? FIRST_ASK;
  }

  remember(kindId: number, ask: TableAsk): void {
    this.asks.update((asks) => new Map(asks).set(kindId, ask));
  }
}
