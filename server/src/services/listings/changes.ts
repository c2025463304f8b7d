import type { Changed, ChangeSummary, Revision, User } from '@plindo/core/contract';
import type { Connection, Difference, Listing } from '@plindo/core/listings';
import { BLANK_CONTENT, contentOf, differencesOf } from '@plindo/core/listings';
import type { ChangeEntry, EntryOf } from '@plindo/core/plans';
import { takenBack } from '@plindo/core/plans';
import { setImmediate as breath } from 'node:timers/promises';
import { dayNumberOfDate, fieldByKey, otherSide } from '@plindo/core/structure';
import { startOfDay } from '@plindo/core/time';
import { Refusal, foldText } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { ChangeRecord, SeenListings, StagedListings, Store, Unit, Written } from '../../store/index.js';
import { titleOf } from '../../store/index.js';
import { removeConnections } from './connecting.js';
import type { Editing } from '../editing.js';
import { removeContents } from '../structure/kinds.js';
import { isAllowed } from '../people/permissions.js';

/** Which changes somebody asks for; '' and null for any. Days as ISO dates, both in. */
export interface ChangesAsk {
  readonly words: string;
  readonly who: string;
  readonly from: string;
  readonly until: string;
  readonly before: number | null;
}

const MOST_SHOWN = 200;
/** Who did what no person did. */
const PLINDO = 'Plindo';
/** Between so many, others get their turn. */
const ENTRIES_BETWEEN_BREATHS = 200;

/** The log of changes, and taking them back. */
export class Changes {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  /** The changes that are asked for, latest first; days are those of the site's zone. */
  async latest({ words, who, from, until, before }: ChangesAsk): Promise<ChangeSummary[]> {
    const { zone } = this.live.context();
    const users = await this.store.accounts.users();
    const startOf = (date: string, daysLater = 0): number | null => {
      const day = dayNumberOfDate(date);
      return day === null ? null : startOfDay(day + daysLater, 'moments', zone);
    };
    const ends = { from: startOf(from), until: startOf(until, 1) };
    const makers = who === '' ? null : calledLike(who, users);
    const changes = await this.store.log.latest({ words, users: makers, before, ...ends, most: MOST_SHOWN });
    return changes.map(summaryBy(users));
  }

  /** Every state of a listing: who made it when, and what was different. */
  async history(listingId: number): Promise<Revision[]> {
    const [history, users] = await Promise.all([this.store.log.historyOf(listingId), this.store.accounts.users()]);
    const summary = summaryBy(users);
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
    const link = this.live.allLinks().find(({ id }) => id === linkId);
    const side = a === listing ? 'a' : 'b';
    const kind = link && this.live.kind(link[side].kindId);
    const other = this.live.catalog(link?.[otherSide(side)].kindId ?? 0)?.titleOf(side === 'a' ? b : a);
    const text = (connection: Connection | null): string =>
      connection ? [other || 'a listing that is gone', connection.note].filter((part) => part !== '').join(', ') : '';
    const label = (kind && fieldByKey(kind, link[side].field)?.label) ?? 'A link that is gone';
    const [before, after] = [text(entry.before), text(entry.after)];
    return before === after ? null : { label, before, after };
  }

  /** Puts a listing back to how a change left it, as a change of its own. Refused by `request.not-found`. */
  async restore(user: User, listingId: number, changeId: number): Promise<Changed<Listing>> {
    const done = await this.editing.change(user, async (unit) => {
      const history = await unit.log.historyOf(listingId, unit.transaction);
      const found = history.find(({ change }) => change.id === changeId);
      const entry = found?.entries.find((one) => one.entity === 'listing' && one.after);
      const before = await unit.listing(listingId);
      if (entry?.entity !== 'listing' || !entry.after || !before) throw Refusal.of('request.not-found');
      const content = contentOf(entry.after);
      const isTaken = content.slug !== before.slug && (await unit.hasSlug(before.kindId, content.slug));
      const slug = isTaken ? before.slug : content.slug;
      const result = await unit.updateListing(before, { ...BLANK_CONTENT, ...content, slug });
      return { sentence: `Restored an earlier state of ${content.title}`, result };
    });
    return { changeId: done.changeId, result: this.live.complete(done.result) };
  }

  /** What takes changed listings back, as they are before the unit. */
  private async readEarly(entries: readonly ChangeEntry[]): Promise<EarlyBack> {
    const changed = entries.filter(isChangedListing);
    const seen = await this.store.see(changed.map(({ id }) => id));
    const back = new Map<ChangeEntry, ChangeEntry>();
    for (const [at, entry] of changed.entries()) {
      if (at % ENTRIES_BETWEEN_BREATHS === 0) await breath();
      const taken = takenBack(entry, seen.listings.get(entry.id) ?? null);
      if (taken && taken !== 'changed') back.set(entry, taken);
    }
    return { ...seen, back };
  }

  /**
   * Takes a change back: every record is put back to what it was before. Refused when one of them was changed again
   * later, or when the user may not make such a change. What the change added is removed even then; the log of the
   * undoing keeps its latest state, so that the undoing can be undone without a loss. Refused by `auth.forbidden`,
   * `change.already-undone`, `request.not-found` and `change.not-undoable`.
   */
  async undo(user: User, changeId: number): Promise<Changed<{ sentence: string }>> {
    // Read before others have to wait: the entries of a complete change stay as they are.
    const entries = (await this.store.log.entriesToTakeBack(changeId)).reverse();
    const isForbidden = entries.some((entry) => !isAllowed(user.role, 'undo changes', { entry }));
    if (isForbidden) throw Refusal.of('auth.forbidden');
    // What visitors send in isn't made to never have come: it is refused, or lies there.
    const sent = entries.find(({ entity, before }) => entity === 'submission' && before === null);
    if (sent) throw Refusal.of('change.not-undoable', { title: titleOf(sent.after) });
    const early = await this.readEarly(entries);
    const work = async (unit: Unit, staged: StagedListings | null): Promise<Written<{ sentence: string }>> => {
      const change = await unit.changeById(changeId);
      if (!change) throw Refusal.of('request.not-found');
      if (change.undoneBy !== null) throw Refusal.of('change.already-undone');
      await takeAllBack(unit, entries, early, staged);
      const sentence = `Undid: ${change.sentence}`;
      return { sentence, result: { sentence } };
    };
    return this.store.staging.carryOut(
      () => backAhead(entries, early),
      (staged) => this.editing.change(user, (unit) => work(unit, staged), { undone: changeId, staged }),
    );
  }
}

/** Whose name holds some letters; null among them for Plindo. */
function calledLike(name: string, users: readonly User[]): (number | null)[] {
  const wanted = foldText(name);
  const found = users.filter((user) => foldText(user.name).includes(wanted));
  return [...found.map(({ id }) => id), ...(foldText(PLINDO).includes(wanted) ? [null] : [])];
}

/** Tells changes as people read them, by the names of those who made them. */
function summaryBy(users: readonly User[]): (change: ChangeRecord) => ChangeSummary {
  const names = new Map(users.map(({ id, name }) => [id, name]));
  return ({ id, at, userId, by, sentence, undoneBy }) => ({
    ...{ id, sentence, undone: undoneBy !== null, at: new Date(at).toISOString() },
    who: names.get(userId ?? 0) ?? (by === '' ? PLINDO : `${PLINDO}, by ${by}`),
  });
}

/** What was worked out before others have to wait; it counts for listings that are still as they were. */
interface EarlyBack extends SeenListings {
  readonly back: ReadonlyMap<ChangeEntry, ChangeEntry>;
}

/** In their order; changed listings that follow one another are read and written together. */
async function takeAllBack(
  unit: Unit,
  entries: readonly ChangeEntry[],
  early: EarlyBack,
  staged: StagedListings | null,
): Promise<void> {
  for (let at = 0; at < entries.length;) {
    const run = entries.slice(at).findIndex((entry) => !isChangedListing(entry));
    const changed = run === -1 ? entries.slice(at) : entries.slice(at, at + run);
    if (changed.length > 1) await takeListingsBack(unit, changed as EntryOf<'listing'>[], early, staged);
    else await takeBack(unit, entries[at]!);
    at += Math.max(changed.length, 1);
  }
}

function isChangedListing({ entity, before, after }: ChangeEntry): boolean {
  return entity === 'listing' && before !== null && after !== null;
}

async function takeListingsBack(
  unit: Unit,
  entries: readonly EntryOf<'listing'>[],
  early: EarlyBack,
  staged: StagedListings | null,
): Promise<void> {
  // Each once at most in a set, as a later entry of one leads to the state that an earlier one begins with.
  if (new Set(entries.map(({ id }) => id)).size < entries.length) {
    for (const entry of entries) await takeBack(unit, entry);
    return;
  }
  const seen = entries.flatMap(({ id }) => early.listings.get(id) ?? []).map((one) => [one.id, one] as const);
  const present = await unit.stillAs({ feed: early.feed, listings: new Map(seen) });
  const back = entries.map((entry) => {
    const now = present.get(entry.id) ?? null;
    const known = now && now === early.listings.get(entry.id) ? early.back.get(entry) : undefined;
    return (known ?? backOf(entry, now)) as EntryOf<'listing'>;
  });
  const isStaged = staged?.entries.length === back.length && staged.entries.every((entry, at) => entry === back[at]);
  await unit.writeListings(back, isStaged ? staged.rows : undefined);
}

/**
 * What takes a change back that did nothing but change listings, each once; null for any other, and where one was
 * changed since.
 */
function backAhead(entries: readonly ChangeEntry[], { back }: EarlyBack): EntryOf<'listing'>[] | null {
  const isOnce = new Set(entries.map(({ id }) => id)).size === entries.length;
  if (!isOnce || !entries.every(isChangedListing)) return null;
  const ahead = entries.flatMap((entry) => (back.get(entry) ?? []) as EntryOf<'listing'>);
  return ahead.length === entries.length ? ahead : null;
}

/** The entry that takes one back; refused by `change.not-undoable` where its record was changed since. */
function backOf(entry: ChangeEntry, now: ChangeEntry['after']): ChangeEntry | null {
  const back = takenBack(entry, now);
  if (back === 'changed') {
    throw Refusal.of('change.not-undoable', { title: titleOf(now ?? entry.after ?? entry.before) });
  }
  return back;
}

async function takeBack(unit: Unit, entry: ChangeEntry): Promise<void> {
  const back = backOf(entry, await unit.current(entry));
  if (!back) return;
  if (back.after === null && entry.entity === 'kind') await removeContents(unit, entry.id);
  if (back.after === null && entry.entity === 'listing') await removeConnections(unit, entry.id);
  // Removing its links has changed a kind meanwhile.
  const before = back.after === null && entry.entity === 'kind' ? await unit.current(entry) : back.before;
  await unit.write({ ...back, before } as ChangeEntry);
}
