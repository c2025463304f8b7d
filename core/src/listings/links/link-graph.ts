import type { Link, LinkEdit, LinkSide } from '../../structure/index.js';
import { otherSide } from '../../structure/index.js';

/** One connection of a link, kept once. Its order at each end is a plain number; lower stands first. */
export interface Connection {
  readonly id: number;
  readonly linkId: number;
  /** The listings at the two ends. */
  readonly a: number;
  readonly b: number;
  readonly note: string;
  readonly aOrder: number;
  readonly bOrder: number;
}

const ORDER_STEP = 10;

/** All connections, found from either end. */
export class LinkGraph {
  private readonly byId = new Map<number, Connection>();
  private readonly ends = new Map<string, Set<number>>();

  put(connection: Connection): void {
    this.remove(connection.id);
    this.byId.set(connection.id, connection);
    for (const end of endsOf(connection)) this.ends.set(end, (this.ends.get(end) ?? new Set()).add(connection.id));
  }

  remove(id: number): void {
    const connection = this.byId.get(id);
    if (!connection) return;
    this.byId.delete(id);
    for (const end of endsOf(connection)) {
      const ids = this.ends.get(end);
      ids?.delete(id);
      if (ids?.size === 0) this.ends.delete(end);
    }
  }

  /** The connections that a listing has at one end of a link, in that end's order. */
  of(linkId: number, side: LinkSide, listing: number): Connection[] {
    const ids = this.ends.get(endKey(linkId, side, listing)) ?? [];
    const order = side === 'a' ? 'aOrder' : 'bOrder';
    return [...ids].map((id) => this.byId.get(id)!).sort((x, y) => x[order] - y[order] || x.id - y.id);
  }

  /** All connections, of one link or of all. */
  all(linkId?: number): Connection[] {
    const connections = [...this.byId.values()];
    return linkId === undefined ? connections : connections.filter((connection) => connection.linkId === linkId);
  }
}

function endKey(linkId: number, side: LinkSide, listing: number): string {
  return `${linkId} ${side} ${listing}`;
}

function endsOf({ linkId, a, b }: Connection): [string, string] {
  return [endKey(linkId, 'a', a), endKey(linkId, 'b', b)];
}

/** What a change of a listing's connections comes to. */
export interface LinkPlan {
  readonly insert: readonly Omit<Connection, 'id'>[];
  /** Connections as they are and as they shall be. */
  readonly update: readonly { readonly before: Connection; readonly after: Connection }[];
  readonly remove: readonly Connection[];
  /** Those of `remove` that are taken from another listing, because the other end holds only one. */
  readonly moved: readonly Connection[];
}

/**
 * Plans a change of the connections that a listing has at one end. An "one" end at the other side that is taken is
 * moved here. What others connected since the editor began stays, and what they disconnected stays away.
 */
export function planLinkEdit(
  graph: Pick<LinkGraph, 'of'>,
  link: Link,
  { side, listing, edit }: { readonly side: LinkSide; readonly listing: number; readonly edit: LinkEdit },
): LinkPlan {
  const other = otherSide(side);
  const own = graph.of(link.id, side, listing);
  const idOf = (connection: Connection): number => connection[other];
  const current = new Map(own.map((connection) => [idOf(connection), connection]));
  const wanted = wantedOf(edit, [...current.keys()], link[side].many);
  const remove = own.filter((connection) => !wanted.some(({ id }) => id === idOf(connection)));
  const ownOrder = side === 'a' ? 'aOrder' : 'bOrder';
  const otherOrder = side === 'a' ? 'bOrder' : 'aOrder';
  const insert: Omit<Connection, 'id'>[] = [];
  const update: { before: Connection; after: Connection }[] = [];
  const moved: Connection[] = [];
  wanted.forEach(({ id, note }, at) => {
    const order = (at + 1) * ORDER_STEP;
    const before = current.get(id);
    if (before) {
      const after = { ...before, note: note ?? before.note, [ownOrder]: order };
      if (after.note !== before.note || after[ownOrder] !== before[ownOrder]) update.push({ before, after });
      return;
    }
    const there = graph.of(link.id, other, id);
    if (!link[other].many) moved.push(...there);
    const last = link[other].many ? (there.at(-1)?.[otherOrder] ?? 0) : 0;
    const ends = side === 'a' ? { a: listing, b: id } : { a: id, b: listing };
    const orders = { aOrder: order, bOrder: order, [otherOrder]: last + ORDER_STEP };
    insert.push({ linkId: link.id, note: note ?? '', ...ends, ...orders });
  });
  return { insert, update, remove: [...remove, ...moved], moved };
}

/** The listings that shall be connected, in order; a note is undefined where it stays as it is. */
function wantedOf(
  { was, now }: LinkEdit,
  current: readonly number[],
  many: boolean,
): { readonly id: number; readonly note: string | undefined }[] {
  if (was === null) return now.map(({ id, note }) => ({ id, note }));
  const kept = now.filter(({ id }) => current.includes(id) || !was.includes(id));
  const added = current.filter((id) => !was.includes(id) && !now.some((entry) => entry.id === id));
  // Where only one fits, what the editor chose takes the place of what came in the meantime.
  const others = many || kept.length === 0 ? added : [];
  return [...kept.map(({ id, note }) => ({ id, note })), ...others.map((id) => ({ id, note: undefined }))];
}
