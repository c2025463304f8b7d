import type { Changed, LinkSketch, User } from '@plindo/core/contract';
import { LINK_SIDES, keysOfNewLink, limitIssues, withLinkField } from '@plindo/core/plans';
import type { Link, LinkSide } from '@plindo/core/structure';
import { checkKind, withoutField } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated, refuseIfBreaking } from '../editing.js';

/** Making, limiting and deleting links. A link and the fields at its two ends come and go together. */
export class Links {
  constructor(
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  all(): readonly Link[] {
    return this.live.allLinks();
  }

  /** Links two kinds, with a field in each. Refused by `link.kinds`. */
  add(user: User | null, sketch: LinkSketch): Promise<Changed<Link>> {
    return this.editing.change(user, async (unit) => {
      const { structure } = unit;
      for (const side of LINK_SIDES) if (!structure.kind(sketch[side].kindId)) throw Refusal.of('link.kinds', {}, side);
      const kinds = { a: kindIn(unit, sketch.a.kindId), b: kindIn(unit, sketch.b.kindId) };
      const keys = keysOfNewLink(sketch, kinds);
      const end = (side: LinkSide): Link[LinkSide] => {
        return { kindId: sketch[side].kindId, field: keys[side], many: sketch[side].many };
      };
      const link = await unit.insertLink({ a: end('a'), b: end('b'), hasNotes: sketch.hasNotes });
      for (const side of LINK_SIDES) await addField(unit, link, side, sketch[side].label);
      return { sentence: `Linked ${sketch.a.label} with ${sketch.b.label}`, result: link };
    });
  }

  /** Changes the limits of the ends; one that more is connected with than it may hold is refused. */
  update(
    user: User,
    id: number,
    version: number,
    { aMany, bMany, hasNotes }: { readonly aMany: boolean; readonly bMany: boolean; readonly hasNotes: boolean },
  ): Promise<Changed<Link>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      refuseOutdated(before, version, 'The link');
      const ends = { a: { ...before.a, many: aMany }, b: { ...before.b, many: bMany }, hasNotes };
      refuseIfAny(limitIssues(ends, await unit.connectionsOf({ link: id })));
      return { sentence: 'Changed the limits of a link', result: await unit.updateLink(before, ends) };
    });
  }

  /** Deletes a link with its connections and with the fields at its ends. */
  remove(user: User, id: number): Promise<Changed<{ connections: number }>> {
    return this.editing.change(user, async (unit) => {
      const before = unit.structure;
      const connections = await removeLink(unit, existing(unit, id), null);
      refuseIfBreaking(unit, before);
      return { sentence: 'Deleted a link with its connections', result: { connections } };
    });
  }
}

function existing(unit: Unit, id: number): Link {
  const link = unit.structure.link(id);
  if (!link) throw Refusal.of('request.not-found');
  return link;
}

async function addField(unit: Unit, link: Link, side: LinkSide, label: string): Promise<void> {
  const kind = unit.kind(link[side].kindId);
  const definition = withLinkField(kind.definition, link, side, label);
  refuseIfAny(checkKind(unit.structure.complete(definition), unit.structure.kindsBesides(kind.id)));
  await unit.updateKind(kind, definition);
}

/**
 * Deletes a link with its connections and its fields, inside a unit; the kind that goes itself keeps its field, so that
 * undoing brings both back. Answers how many connections went.
 */
export async function removeLink(unit: Unit, link: Link, goingKind: number | null): Promise<number> {
  const connections = await unit.connectionsOf({ link: link.id });
  for (const before of connections) await unit.remove('connection', before.id, before);
  for (const { kindId, field } of [link.a, link.b]) {
    if (kindId === goingKind) continue;
    const kind = unit.kind(kindId);
    await unit.updateKind(kind, withoutField(kind.definition, field));
  }
  await unit.remove('link', link.id, link);
  return connections.length;
}
