import type { Changed, LinkSketch, User } from '@plindo/core/contract';
import type { Kind, KindDefinition, Link, LinkSide } from '@plindo/core/structure';
import { checkKind, makeField, withoutCategories, withoutField, withoutLinks } from '@plindo/core/structure';
import { firstFreeSlug, issue, keyOf } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Unit } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

const SIDES: readonly LinkSide[] = ['a', 'b'];

/** Making, limiting and deleting links. A link and the fields at its two ends come and go together. */
export class Links {
  constructor(private readonly live: Live) {}

  all(): Link[] {
    return this.live.links.all();
  }

  async add(user: User | null, sketch: LinkSketch): Promise<Changed<Link>> {
    for (const side of SIDES) if (!this.live.kind(sketch[side].kindId)) throw Refusal.of('link.kinds', {}, side);
    const head = { userId: user?.id ?? null, sentence: `Linked ${sketch.a.label} with ${sketch.b.label}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const keys = { a: '', b: '' };
      for (const side of SIDES) keys[side] = await this.freeKey(unit, sketch, side, keys.a);
      const end = (side: LinkSide): Link[LinkSide] => ({
        kindId: sketch[side].kindId,
        field: keys[side],
        many: sketch[side].many,
      });
      const link = await unit.insertLink({ a: end('a'), b: end('b'), hasNotes: sketch.hasNotes });
      for (const side of SIDES) await this.addField(unit, link, side, sketch[side].label);
      return link;
    });
    return { changeId, result };
  }

  /** Changes the limits of the ends; one that more is connected with than it may hold is refused. */
  async update(
    user: User,
    id: number,
    version: number,
    limits: { readonly aMany: boolean; readonly bMany: boolean; readonly hasNotes: boolean },
  ): Promise<Changed<Link>> {
    const head = { userId: user.id, sentence: 'Changed the limits of a link' };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await unit.link(id);
      if (!before) throw Refusal.of('request.not-found');
      if (before.version !== version) throw Refusal.of('change.conflict', { title: 'The link' });
      const { aMany, bMany, hasNotes } = limits;
      const after: Link = {
        ...before,
        a: { ...before.a, many: aMany },
        b: { ...before.b, many: bMany },
        hasNotes,
        version: before.version + 1,
      };
      for (const side of SIDES) this.checkLimit(after, side);
      await unit.restore({ entity: 'link', id, before, after });
      return after;
    });
    return { changeId, result };
  }

  /** Deletes a link with its connections and with the fields at its ends. */
  async remove(user: User, id: number): Promise<Changed<{ connections: number }>> {
    const head = { userId: user.id, sentence: 'Deleted a link with its connections' };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const link = await unit.link(id);
      if (!link) throw Refusal.of('request.not-found');
      return { connections: await removeLink(unit, link, null) };
    });
    return { changeId, result };
  }

  private checkLimit(link: Link, side: LinkSide): void {
    if (link[side].many) return;
    const counts = new Map<number, number>();
    for (const connection of this.live.links.graph.all(link.id)) {
      counts.set(connection[side], (counts.get(connection[side]) ?? 0) + 1);
    }
    const over = [...counts.values()].filter((count) => count > 1).length;
    if (over === 0) return;
    const reason = `${over} listings are connected with more than one; see to them first.`;
    refuseIfAny([issue('kind.fields', { reason }, { field: side })]);
  }

  private async freeKey(unit: Unit, sketch: LinkSketch, side: LinkSide, keyOfA: string): Promise<string> {
    const kind = await existing(unit, sketch[side].kindId);
    const taken = new Set(kind.fields.map(({ key }) => key));
    if (side === 'b' && sketch.a.kindId === sketch.b.kindId) taken.add(keyOfA);
    const isTaken = (candidate: string): boolean => taken.has(candidate.replaceAll('-', '_'));
    return firstFreeSlug(keyOf(sketch[side].label), isTaken).replaceAll('-', '_');
  }

  private async addField(unit: Unit, link: Link, side: LinkSide, label: string): Promise<void> {
    const kind = await existing(unit, link[side].kindId);
    const field = makeField({
      key: link[side].field,
      label,
      type: 'link',
      searchWeight: 1,
      settings: { link: link.id, side },
    });
    const definition: KindDefinition = { ...kind, fields: [...kind.fields, field] };
    const others = this.live.kinds().filter((other) => other.id !== kind.id);
    refuseIfAny(checkKind(this.live.hydrated(definition), others));
    await unit.updateKind(kind, withoutLinks(withoutCategories(definition)));
  }
}

/**
 * Deletes a link with its connections and its fields, inside a change; the kind that goes itself keeps its field, so
 * that undoing brings both back. Answers how many connections went.
 */
export async function removeLink(unit: Unit, link: Link, goingKind: number | null): Promise<number> {
  const connections = await unit.connectionsOf({ link: link.id });
  for (const before of connections) await unit.restore({ entity: 'connection', id: before.id, before, after: null });
  for (const { kindId, field } of [link.a, link.b]) {
    if (kindId === goingKind) continue;
    const kind = await existing(unit, kindId);
    await unit.updateKind(kind, withoutField(kind, field));
  }
  await unit.restore({ entity: 'link', id: link.id, before: link, after: null });
  return connections.length;
}

async function existing(unit: Unit, id: number): Promise<Kind> {
  const kind = await unit.kind(id);
  if (!kind) throw Refusal.of('request.not-found');
  return kind;
}
