import type { BinSummary, Changed, User } from '@plindo/core/contract';
import type { Live } from '../live/live.js';
import type { Unit } from '../store/index.js';
import { removeConnections } from './changes.js';
import { Refusal } from './refusal.js';

/** What lies in the bin, and deleting it for good. Even that is in the change log and can be undone. */
export class Bin {
  constructor(private readonly live: Live) {}

  /** What the bin of a kind holds. */
  summary(kindId: number): BinSummary {
    const ids = this.idsIn(kindId);
    const connected = new Set(ids);
    const connections = this.live.links.graph.all().filter(({ a, b }) => connected.has(a) || connected.has(b));
    return { listings: ids.length, connections: connections.length };
  }

  /** Deletes one listing that lies in the bin. */
  async remove(user: User, id: number): Promise<Changed<BinSummary>> {
    const kind = this.live.kinds().find((one) => this.live.catalog(one.id)?.rowOf(id) !== undefined);
    const title = (kind && this.live.catalog(kind.id)?.titleOf(id)) ?? '';
    return this.deleteAll(user, [id], `Deleted ${title} for good`);
  }

  /** Deletes everything that lies in the bin of a kind. */
  async empty(user: User, kindId: number): Promise<Changed<BinSummary>> {
    const kind = this.live.kind(kindId);
    if (!kind) throw Refusal.of('request.not-found');
    const ids = this.idsIn(kindId);
    return this.deleteAll(user, ids, `Emptied the bin of ${kind.many}: ${ids.length}`);
  }

  private idsIn(kindId: number): number[] {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const ids: number[] = [];
    catalog.existing.forEach((row) => {
      if (catalog.statusAt(row) === 'binned') ids.push(catalog.ids[row]!);
    });
    return ids;
  }

  private async deleteAll(user: User, ids: readonly number[], sentence: string): Promise<Changed<BinSummary>> {
    return this.live.change({ userId: user.id, sentence }, async (unit) => {
      let connections = 0;
      for (const id of ids) connections += await this.deleteOne(unit, id);
      return { listings: ids.length, connections };
    });
  }

  /** Answers how many connections went with it. */
  private async deleteOne(unit: Unit, id: number): Promise<number> {
    const before = await unit.listing(id);
    if (!before) throw Refusal.of('request.not-found');
    if (before.status !== 'binned') throw Refusal.of('listing.not-binned', { title: before.title });
    const removed = await removeConnections(unit, id);
    await unit.restore({ entity: 'listing', id, before, after: null });
    return removed;
  }
}
