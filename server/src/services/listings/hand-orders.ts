import type { Changed, User } from '@plindo/core/contract';
import { contentOf, inHandOrder, planHandOrder, positionAfter } from '@plindo/core/listings';
import { Refusal } from '@plindo/core/values';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';

/** Putting listings in order by hand: dragging writes plain numbers. */
export class HandOrders {
  constructor(private readonly editing: Editing) {}

  /**
   * Puts a listing right behind another one in the hand order of its kind, or first of all where `after` is null.
   * Answers how many listings got a number. Refused by `request.not-found`.
   */
  move(user: User, kindId: number, id: number, after: number | null): Promise<Changed<{ listings: number }>> {
    return this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const places = inHandOrder(await unit.handPlaces(kind.id));
      const position = positionAfter(places, id, after);
      if (position === -1) throw Refusal.of('request.not-found');
      const plan = planHandOrder(places, id, position);
      const listings = await unit.listings([id, ...plan.keys()]);
      for (const [listing, handOrder] of plan) {
        const before = listings.get(listing)!;
        await unit.updateListing(before, { ...contentOf(before), handOrder });
      }
      const title = listings.get(id)?.title ?? '';
      return { sentence: `Moved ${title} in the hand order`, result: { listings: plan.size } };
    });
  }
}
