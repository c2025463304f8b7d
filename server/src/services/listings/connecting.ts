import { LinkGraph, planLinkEdit } from '@plindo/core/listings';
import type { Kind, LinkEdit } from '@plindo/core/structure';
import { linkEditOf, linkOfField, otherSide } from '@plindo/core/structure';
import { issue, refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';

/** Carries out what an input says of a listing's links, inside a unit. */
export async function editConnections(
  unit: Unit,
  kind: Kind,
  listing: number,
  values: Readonly<Record<string, unknown>>,
): Promise<void> {
  for (const field of kind.fields) {
    const found = linkOfField(field, unit.structure.links);
    if (!found || !Object.hasOwn(values, field.key)) continue;
    const { link, side } = found;
    const edit = linkEditOf(values[field.key]);
    await checkListings(unit, edit, link[otherSide(side)].kindId, field);
    const graph = new LinkGraph();
    for (const own of await unit.connectionsAt(link.id, side, [listing])) graph.put(own);
    const others = await unit.connectionsAt(
      link.id,
      otherSide(side),
      edit.now.map(({ id }) => id),
    );
    for (const other of others) graph.put(other);
    const plan = planLinkEdit(graph, link, { side, listing, edit });
    for (const before of plan.remove) await unit.remove('connection', before.id, before);
    for (const { before, after } of plan.update) {
      await unit.write({ entity: 'connection', id: before.id, before, after });
    }
    for (const made of plan.insert) await unit.insertConnection(made);
  }
}

/** Refuses listings that are gone or of another kind than the link leads to. */
async function checkListings(
  unit: Unit,
  { now }: LinkEdit,
  kindId: number,
  { key, label }: { readonly key: string; readonly label: string },
): Promise<void> {
  const listings = await unit.listings(now.map(({ id }) => id));
  for (const { id } of now) {
    const listing = listings.get(id);
    if (listing?.kindId === kindId) continue;
    refuseIfAny([issue('link.listing', { label, found: listing?.title ?? id }, { field: key })]);
  }
}

/** Connections go before their listing, each in the log, so that undoing brings them back. Answers how many went. */
export async function removeConnections(unit: Unit, listing: number): Promise<number> {
  const connections = await unit.connectionsOf({ listing });
  for (const before of connections) await unit.remove('connection', before.id, before);
  return connections.length;
}
