import type { BinSummary, Changed, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Unit } from '../../store/index.js';
import { removeConnections } from './connecting.js';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';

/** What lies in the bin, and deleting it for good. Even that is in the change log and can be undone. */
export class Bin {
  constructor(
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  /** What the bin of a kind holds. Refused by `request.not-found`. */
  summary(kindId: number): BinSummary {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const ids = new Set<number>();
    catalog.existing.forEach((row) => {
      if (catalog.statusAt(row) === 'binned') ids.add(catalog.ids[row]!);
    });
    const connections = this.live.links.graph.all().filter(({ a, b }) => ids.has(a) || ids.has(b));
    return { listings: ids.size, connections: connections.length };
  }

  /** Deletes one listing that lies in the bin. */
  remove(user: User, id: number): Promise<Changed<BinSummary>> {
    return this.editing.change(user, async (unit) => {
      const { title } = (await unit.listing(id)) ?? { title: '' };
      return { sentence: `Deleted ${title} for good`, result: await deleteAll(unit, [id]) };
    });
  }

  /** Deletes everything that lies in the bin of a kind. */
  empty(user: User, kindId: number): Promise<Changed<BinSummary>> {
    return this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const ids = await unit.idsWithStatus(kindId, 'binned');
      const sentence = `Emptied the bin of ${kind.many}: ${ids.length}`;
      return { sentence, result: await deleteAll(unit, ids) };
    });
  }
}

async function deleteAll(unit: Unit, ids: readonly number[]): Promise<BinSummary> {
  const listings = await unit.listings(ids);
  let connections = 0;
  for (const id of ids) {
    const before = listings.get(id);
    if (!before) throw Refusal.of('request.not-found');
    if (before.status !== 'binned') throw Refusal.of('listing.not-binned', { title: before.title });
    connections += await removeConnections(unit, id);
    await unit.remove('listing', id, before);
  }
  return { listings: ids.length, connections };
}
