import type { Departure, DepartureScene } from '@plindo/core/listings';
import { departureOf, withoutNewNotices } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import type { DueRow, RenewalState, Store, Unit } from '../store/index.js';

/** So many listings are looked at in one transaction. */
const LISTINGS_AT_ONCE = 500;

/** Finds out anew what will happen to the listings of a kind, after its rule or the zone has become another one. */
export class RenewalWork {
  constructor(private readonly store: Store) {}

  /** One step; answers whether there is more to do. */
  carryOut({ subject: kindId }: DueRow): Promise<boolean> {
    return this.store.aside(async (unit) => {
      const row = (await unit.due.rows('departures', [kindId])).get(kindId);
      if (row?.dueAt == null) return false;
      const kind = unit.structure.kind(kindId);
      const { after, before } = row.state as RenewalState;
      const last = kind ? await renewSome(unit, kind, after, before) : null;
      const state: RenewalState = { after: last ?? after, before };
      await unit.due.put('departures', kindId, last === null ? null : row.dueAt, state);
      return last !== null;
    });
  }
}

/** Looks at the next listings; answers the number of the last one, null when there are no more. */
async function renewSome(
  unit: Unit,
  kind: Kind,
  after: number,
  before: readonly string[] | null,
): Promise<number | null> {
  const listings = await unit.listingsAfter(kind.id, after, LISTINGS_AT_ONCE);
  const known = await unit.due.departures(listings.map(({ id }) => id));
  const scene: DepartureScene = { zone: unit.context().zone, nowInMs: unit.now };
  const wanted = new Map<number, { kindId: number; departure: Departure | null }>();
  for (const listing of listings) {
    const own = known.get(listing.id) ?? null;
    const departure = departureOf(listing, kind, own, scene);
    const hadLeft = before !== null && departure !== null && departure.leavesAt <= unit.now;
    const counted = hadLeft && kind.expiry ? withoutNewNotices(departure, kind.expiry, before) : departure;
    // Once more, as the next thing that is due may be another one now.
    wanted.set(listing.id, { kindId: kind.id, departure: counted && departureOf(listing, kind, counted, scene) });
  }
  await unit.due.writeDepartures(wanted, known);
  return listings.length < LISTINGS_AT_ONCE ? null : listings.at(-1)!.id;
}
