import type { Changed, KindSummary, User } from '@plindo/core/contract';
import type { Kind, KindDefinition } from '@plindo/core/structure';
import {
  checkKind,
  checkKindChange,
  linkFieldsChanged,
  linksOfKind,
  withoutCategories,
  withoutLinks,
} from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { Unit } from '../store/index.js';
import { removeLink } from './links.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** Making and changing kinds. */
export class Kinds {
  constructor(private readonly live: Live) {}

  summaries(): KindSummary[] {
    return this.live.kinds().map((kind) => ({ kind, counts: this.live.countsOf(kind.id) }));
  }

  summary(id: number): KindSummary {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return { kind, counts: this.live.countsOf(id) };
  }

  async add(user: User | null, sent: KindDefinition): Promise<Changed<Kind>> {
    const definition = this.read(sent);
    this.check(definition, null);
    refuseLinkEnds(linkFieldsChanged({ fields: [] }, definition));
    const head = { userId: user?.id ?? null, sentence: `Added the kind ${definition.many}` };
    const { changeId, result } = await this.live.change(head, (unit) =>
      unit.insertKind(withoutLinks(withoutCategories(definition))),
    );
    return { changeId, result: this.read(result) };
  }

  /** Puts a new definition in place of the old one; `version` is the one that the editor has seen. */
  async update(user: User | null, id: number, version: number, sent: KindDefinition): Promise<Changed<Kind>> {
    const definition = this.read(sent);
    this.check(definition, id);
    const was = this.live.kind(id);
    const hasListings = Object.values(this.live.countsOf(id)).some((count) => count > 0);
    if (was && hasListings) refuseIfAny(checkKindChange(was, definition));
    refuseLinkEnds(linkFieldsChanged(was ?? { fields: [] }, definition));
    const verb =
      was?.published === definition.published ? 'Changed' : definition.published ? 'Published' : 'Unpublished';
    const head = { userId: user?.id ?? null, sentence: `${verb} ${definition.many}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await existing(unit, id);
      if (before.version !== version) throw Refusal.of('change.conflict', { title: before.many });
      return unit.updateKind(before, withoutLinks(withoutCategories(definition)));
    });
    return { changeId, result: this.read(result) };
  }

  /** Deletes a kind with all its listings; the change log keeps them for undo. */
  async remove(user: User, id: number): Promise<Changed<{ listings: number }>> {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    const head = { userId: user.id, sentence: `Deleted the kind ${kind.many} with its listings` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await existing(unit, id);
      for (const link of linksOfKind(before, await unit.links())) await removeLink(unit, link, id);
      const listings = await unit.listingsOf(id);
      for (const listing of listings) {
        await unit.restore({ entity: 'listing', id: listing.id, before: listing, after: null });
      }
      await unit.restore({ entity: 'kind', id, before, after: null });
      return { listings: listings.length };
    });
    return { changeId, result };
  }

  /** A kind with the categories of its sets, whatever was sent for them. */
  private read<Subject extends KindDefinition>(kind: Subject): Subject {
    return this.live.hydrated(kind);
  }

  private check(definition: KindDefinition, id: number | null): void {
    refuseIfAny(
      checkKind(
        definition,
        this.live.kinds().filter((kind) => kind.id !== id),
      ),
    );
  }
}

/** Link ends come and go with their link, not with a definition of a kind. */
function refuseLinkEnds(labels: readonly string[]): void {
  if (labels.length > 0) throw Refusal.of('link.ends', { labels: labels.join(', ') }, 'fields');
}

async function existing(unit: Unit, id: number): Promise<Kind> {
  const kind = await unit.kind(id);
  if (!kind) throw Refusal.of('request.not-found');
  return kind;
}
