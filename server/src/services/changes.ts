import type { Changed, ChangeSummary, Revision, User } from '@plindo/core/contract';
import type { Connection, Difference, Listing } from '@plindo/core/listings';
import { BLANK_CONTENT, contentOf, differencesOf } from '@plindo/core/listings';
import { fieldByKey, linksOfKind, otherSide } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { ChangeEntry, ChangeRecord, Store, Unit } from '../store/index.js';
import { removeLink } from './links.js';
import { Refusal } from './refusal.js';

/** The log of changes, and taking them back. */
export class Changes {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async latest(limit: number): Promise<ChangeSummary[]> {
    const [changes, summary] = await Promise.all([this.store.changes(limit), this.summaries()]);
    return changes.map(summary);
  }

  /** Every state of a listing: who made it when, and what was different. */
  async history(listingId: number): Promise<Revision[]> {
    const [history, summary] = await Promise.all([this.store.historyOf(listingId), this.summaries()]);
    return history.map(({ change, entries }) => {
      const own = entries.filter((entry) => entry.entity === 'listing');
      const differences = own.flatMap(({ before, after }) => {
        const kind = this.live.kind((after ?? before)?.kindId ?? 0);
        return kind ? differencesOf(before, after, kind, this.live.context()) : [];
      });
      const links = entries.flatMap((entry) => this.linkDifference(listingId, entry) ?? []);
      return { ...summary(change), differences: [...differences, ...links], isState: own.some(({ after }) => after) };
    });
  }

  /** What became of one connection of a listing, under the label that its link has at this end. */
  private linkDifference(listing: number, entry: ChangeEntry): Difference | null {
    if (entry.entity !== 'connection') return null;
    const { linkId, a, b } = (entry.after ?? entry.before)!;
    const link = this.live.links.all().find(({ id }) => id === linkId);
    const side = a === listing ? 'a' : 'b';
    const kind = link && this.live.kind(link[side].kindId);
    const other = this.live.catalog(link?.[otherSide(side)].kindId ?? 0)?.titleOf(side === 'a' ? b : a);
    const text = (connection: Connection | null): string =>
      connection ? [other || 'a listing that is gone', connection.note].filter((part) => part !== '').join(', ') : '';
    const label = (kind && fieldByKey(kind, link[side].field)?.label) ?? 'A link that is gone';
    const [before, after] = [text(entry.before), text(entry.after)];
    return before === after ? null : { label, before, after };
  }

  /** Puts a listing back to how a change left it, as a change of its own. */
  async restore(user: User, listingId: number, changeId: number): Promise<Changed<Listing>> {
    const found = (await this.store.historyOf(listingId)).find(({ change }) => change.id === changeId);
    const entry = found?.entries.find((one) => one.entity === 'listing' && one.after);
    if (entry?.entity !== 'listing' || !entry.after) throw Refusal.of('request.not-found');
    const wanted = entry.after;
    const sentence = `Restored an earlier state of ${wanted.title}`;
    const done = await this.live.change({ userId: user.id, sentence }, async (unit) => {
      const before = await unit.listing(listingId);
      if (!before) throw Refusal.of('request.not-found');
      const content = contentOf(wanted);
      const taken = await unit.slugsOf(before.kindId);
      const slug = content.slug !== before.slug && taken.has(content.slug) ? before.slug : content.slug;
      return unit.updateListing(before, { ...BLANK_CONTENT, ...content, slug });
    });
    return { changeId: done.changeId, result: this.live.complete(done.result) };
  }

  private async summaries(): Promise<(change: ChangeRecord) => ChangeSummary> {
    const names = new Map((await this.store.accounts.users()).map((user) => [user.id, user.name]));
    return (change) => ({
      id: change.id,
      at: new Date(change.at).toISOString(),
      who: names.get(change.userId ?? 0) ?? 'Plindo',
      sentence: change.sentence,
      undone: change.undoneBy !== null,
    });
  }

  /**
   * Takes a change back: every record is put back to what it was before. Refused when one of them was changed again
   * later. What the change added is removed even then; the log of the undoing keeps its latest state, so that the
   * undoing can be undone without a loss.
   */
  async undo(user: User, changeId: number): Promise<Changed<{ sentence: string }>> {
    const change = await this.store.changeById(changeId);
    if (!change) throw Refusal.of('request.not-found');
    if (change.undoneBy !== null) throw Refusal.of('change.already-undone');
    const entries = (await this.store.entriesOf(changeId)).reverse();
    const head = { userId: user.id, sentence: `Undid: ${change.sentence}` };
    const done = await this.live.change(head, async (unit) => {
      for (const entry of entries) await takeBack(unit, entry);
    });
    await this.store.markUndone(changeId, done.changeId);
    return { changeId: done.changeId, result: { sentence: head.sentence } };
  }
}

async function takeBack(unit: Unit, entry: ChangeEntry): Promise<void> {
  const { entity, id, before, after } = entry;
  const now = await current(unit, entry);
  if (before === null) {
    if (now === null) return;
    if (entity === 'kind') await removeContents(unit, id);
    if (entity === 'listing') await removeConnections(unit, id);
    await unit.restore({ entity, id, before: now, after: null } as ChangeEntry);
    return;
  }
  if (!isSame(now, after)) throw Refusal.of('change.not-undoable', { title: titleOf(now ?? after ?? before) });
  const version = now && 'version' in now ? { version: now.version + 1 } : {};
  await unit.restore({ entity, id, before: now, after: { ...before, ...version } } as ChangeEntry);
}

function current(unit: Unit, { entity, id }: ChangeEntry): Promise<ChangeEntry['after']> {
  if (entity === 'site') return unit.site();
  if (entity === 'category-set') return unit.categorySet(id);
  if (entity === 'selection') return unit.selection(id);
  if (entity === 'link') return unit.link(id);
  if (entity === 'connection') return unit.connection(id);
  if (entity === 'picture') return unit.picture(id);
  return entity === 'listing' ? unit.listing(id) : unit.kind(id);
}

/**
 * Whether a record is as a change left it. Its version and the moment of its last change don't count: undoing a later
 * change moves them on, and leads back to the same content all the same.
 */
function isSame(now: ChangeEntry['after'], then: ChangeEntry['after']): boolean {
  return contentText(now) === contentText(then);
}

function contentText(record: ChangeEntry['after']): string {
  if (record === null) return '';
  // What was written before a part existed has none of it.
  const complete = 'title' in record ? { ...BLANK_CONTENT, ...record } : record;
  const { version: _, changedAt: __, ...content } = complete as { version?: unknown; changedAt?: unknown };
  return JSON.stringify(inKeyOrder(content));
}

/** The same value with the properties of all objects in one order. */
function inKeyOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inKeyOrder);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, one]) => [key, inKeyOrder(one)]));
}

/** Connections go before their listing, each in the log, so that undoing brings them back. */
export async function removeConnections(unit: Unit, listing: number): Promise<number> {
  const connections = await unit.connectionsOf({ listing });
  for (const before of connections) {
    await unit.restore({ entity: 'connection', id: before.id, before, after: null });
  }
  return connections.length;
}

async function removeContents(unit: Unit, kindId: number): Promise<void> {
  for (const link of linksOfKind({ id: kindId }, await unit.links())) await removeLink(unit, link, kindId);
  for (const listing of await unit.listingsOf(kindId)) {
    await unit.restore({ entity: 'listing', id: listing.id, before: listing, after: null });
  }
}

function titleOf(record: ChangeEntry['after']): string {
  if (!record) return '';
  if ('title' in record) return record.title;
  if ('many' in record) return record.many;
  if ('fileName' in record) return record.fileName;
  if ('linkId' in record || 'hasNotes' in record) return 'A link';
  return 'categories' in record ? record.label : record.name;
}
