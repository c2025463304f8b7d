import type { Connection, Listing } from '@plindo/core/listings';
import type { ShownParts } from '@plindo/core/listings';
import { LinkGraph, isOnSite, leavesAt } from '@plindo/core/listings';
import { listingPath } from '@plindo/core/page';
import type { Field, Kind, LinkedListing } from '@plindo/core/structure';
import { isKindShown, linkOfField, otherSide } from '@plindo/core/structure';
import type { ChangeEntry, EntryOf, Structure } from '@plindo/core/plans';
import type { NamedParts, Store } from '../store/index.js';

/** What is shown of a listing where another one is linked with it. */
type ListingName = Pick<Listing, 'id' | 'kindId' | 'title' | 'slug' | 'address'> & ShownParts;

/** Gives the kind of a linked listing. */
export type KindOf = (id: number) => Kind | undefined;

/** The connections of links and the names of linked listings, in memory; they follow the store. */
export class LinkedNames {
  graph = new LinkGraph();
  /** Of listings that are or were connected. */
  private readonly names = new Map<number, ListingName>();
  /** For listings that come to the site or leave it by themselves: whether they were on it at the last look. */
  private readonly passing = new Map<number, boolean>();
  /** The moment of the last look, and the next moment after it at which a listing comes or goes. */
  private lookedAt = -Infinity;
  private nextTurn = Infinity;

  constructor(
    private readonly store: Store,
    private readonly structure: () => Structure,
    private readonly clock: () => Date,
  ) {}

  /** Works out anew when the listings of some kinds leave, as their rule or the zone is another one. */
  async renew(kinds: ReadonlySet<number>): Promise<void> {
    const ids = [...this.names.values()].filter(({ kindId }) => kinds.has(kindId)).map(({ id }) => id);
    const were = new Map(ids.map((id) => [id, isOnSite(this.names.get(id)!, this.lookedAt)]));
    for (const parts of await this.store.namesOf(ids)) this.takeName(parts, were.get(parts.id));
  }

  /** Reads everything, whatever was known before. */
  async start(): Promise<void> {
    const graph = new LinkGraph();
    for (const connection of await this.store.connections()) graph.put(connection);
    const ids = new Set(graph.all().flatMap(({ a, b }) => [a, b]));
    const names = await this.store.namesOf([...ids]);
    this.graph = graph;
    this.names.clear();
    this.passing.clear();
    for (const name of names) this.takeName(name);
  }

  /** Takes in what a change did to connections and names; answers the listings that show something else now. */
  async take(entries: readonly ChangeEntry[]): Promise<Set<number>> {
    const affected = new Set<number>();
    const connections: Connection[] = [];
    for (const entry of entries) {
      if (entry.entity === 'listing') this.takeListing(entry, affected);
      if (entry.entity !== 'connection') continue;
      if (entry.after) this.graph.put(entry.after);
      else this.graph.remove(entry.id);
      connections.push(...[entry.before, entry.after].filter((side) => side !== null));
    }
    for (const { a, b } of connections) affected.add(a).add(b);
    await this.fetchNames(connections);
    return affected;
  }

  /** Looks again, at this moment; answers the listings that are linked with one that has come or gone since the last look. */
  turned(): Set<number> {
    const nowInMs = this.clock().getTime();
    const affected = new Set<number>();
    if (nowInMs >= this.lookedAt && nowInMs < this.nextTurn) return affected;
    [this.lookedAt, this.nextTurn] = [nowInMs, Infinity];
    for (const [id, wasOnSite] of this.passing) {
      const name = this.names.get(id)!;
      const onSite = isOnSite(name, nowInMs);
      this.passing.set(id, onSite);
      if (onSite !== wasOnSite) this.addLinkedWith(id, affected);
      for (const moment of [name.shownFrom, name.leavesAt]) {
        if (moment !== null && moment > nowInMs) this.nextTurn = Math.min(this.nextTurn, moment);
      }
    }
    return affected;
  }

  /** The kinds that a kind is linked with. */
  kindsLinkedWith(kindId: number): Set<number> {
    return new Set(
      this.structure().links.flatMap(({ a, b }) => [
        ...(a.kindId === kindId ? [b.kindId] : []),
        ...(b.kindId === kindId ? [a.kindId] : []),
      ]),
    );
  }

  /** A listing with the listings that it is linked with among its values, to be shown and found. */
  complete<Subject extends Pick<Listing, 'id' | 'values'>>(
    listing: Subject,
    kind: Pick<Kind, 'fields'>,
    kindOf: KindOf,
  ): Subject {
    const fields = kind.fields.filter(({ type }) => type === 'link');
    if (fields.length === 0) return listing;
    const nowInMs = this.clock().getTime();
    const linked = fields.map((field) => [field.key, this.linkedWith(listing.id, field, kindOf, nowInMs)] as const);
    return {
      ...listing,
      values: { ...listing.values, ...Object.fromEntries(linked.filter(([, list]) => list.length > 0)) },
    };
  }

  private linkedWith(id: number, field: Field, kindOf: KindOf, nowInMs: number): LinkedListing[] {
    const found = linkOfField(field, this.structure().links);
    if (!found) return [];
    const { link, side } = found;
    return this.graph.of(link.id, side, id).flatMap((connection) => {
      const name = this.names.get(connection[otherSide(side)]);
      const kind = name && kindOf(name.kindId);
      if (!name || !kind || name.status === 'binned') return [];
      const onSite = isOnSite(name, nowInMs) && isKindShown(kind);
      const href = onSite && kind.hasListingPages ? listingPath(kind, name) : null;
      return [{ id: name.id, note: connection.note, title: name.title, slug: name.slug, href, onSite }];
    });
  }

  private takeListing(entry: EntryOf<'listing'>, affected: Set<number>): void {
    const known = this.names.get(entry.id);
    if (!known || !entry.after) return;
    const name = this.takeName(entry.after);
    const { title, slug, address, status, shownFrom, leavesAt: leaves } = name;
    const isSameAddress = known.slug === slug && known.address === address;
    const isSame = known.title === title && isSameAddress && known.status === status;
    const isSameWindow = known.shownFrom === shownFrom && known.leavesAt === leaves;
    if (!isSame || !isSameWindow) this.addLinkedWith(name.id, affected);
  }

  /** `wasOnSite` is what those that are linked with it show, where that may not be how it is now. */
  private takeName(parts: NamedParts, wasOnSite?: boolean): ListingName {
    const { id, kindId, title, slug, address, status, shownFrom } = parts;
    const kind = this.structure().kind(kindId);
    const leaves = kind ? leavesAt(parts, kind, this.structure().site.zone) : null;
    const name: ListingName = { id, kindId, title, slug, address, status, shownFrom, leavesAt: leaves };
    this.names.set(id, name);
    this.passing.delete(id);
    if (shownFrom === null && leaves === null && wasOnSite === undefined) return name;
    this.passing.set(id, wasOnSite ?? isOnSite(name, this.clock().getTime()));
    this.nextTurn = -Infinity;
    return name;
  }

  private addLinkedWith(id: number, all: Set<number>): void {
    for (const link of this.structure().links) {
      for (const { b } of this.graph.of(link.id, 'a', id)) all.add(b);
      for (const { a } of this.graph.of(link.id, 'b', id)) all.add(a);
    }
  }

  private async fetchNames(connections: readonly Connection[]): Promise<void> {
    const missing = new Set(connections.flatMap(({ a, b }) => [a, b]).filter((id) => !this.names.has(id)));
    for (const name of await this.store.namesOf([...missing])) this.takeName(name);
  }
}
