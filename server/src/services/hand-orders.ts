import type { Changed, User } from '@plindo/core/contract';
import type { Catalog } from '@plindo/core/catalog';
import type { HandPlace } from '@plindo/core/listings';
import { contentOf, planHandOrder } from '@plindo/core/listings';
import { BLANK_TABLE_QUERY, runTableQuery } from '@plindo/core/query';
import type { Live } from '../live/live.js';
import { Refusal } from './refusal.js';

/** Putting listings in order by hand: dragging writes plain numbers. */
export class HandOrders {
  constructor(private readonly live: Live) {}

  /**
   * Puts a listing right behind another one in the hand order of its kind, or first of all where `after` is null.
   * Answers how many listings got a number.
   */
  async move(user: User, kindId: number, id: number, after: number | null): Promise<Changed<{ listings: number }>> {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const title = catalog.titleOf(id);
    const head = { userId: user.id, sentence: `Moved ${title} in the hand order` };
    return this.live.change(head, async (unit) => {
      const places = this.places(catalog);
      const plan = planHandOrder(places, id, positionAfter(places, id, after));
      for (const [listing, handOrder] of plan) {
        const before = await unit.listing(listing);
        if (before) await unit.updateListing(before, { ...contentOf(before), handOrder });
      }
      return { listings: plan.size };
    });
  }

  private places(catalog: Catalog): HandPlace[] {
    const order = [{ by: 'hand-order', direction: 'up' } as const];
    const { ids } = runTableQuery(catalog, { ...BLANK_TABLE_QUERY, order, limit: catalog.rows }, this.live.context());
    const column = catalog.column('@handOrder');
    return ids.map((id) => {
      const handOrder = column?.kind === 'number' ? column.values[catalog.rowOf(id)!]! : NaN;
      return { id, handOrder: Number.isNaN(handOrder) ? null : handOrder };
    });
  }
}

/** The position right behind a listing among the others; the first one where `after` is null. */
function positionAfter(places: readonly HandPlace[], id: number, after: number | null): number {
  if (after === null) return 0;
  const at = places.filter((place) => place.id !== id).findIndex((place) => place.id === after);
  if (at === -1) throw Refusal.of('request.not-found');
  return at + 1;
}
