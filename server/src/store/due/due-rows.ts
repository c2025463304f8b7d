import type { Departure, Listing } from '@plindo/core/listings';
import { departureOf } from '@plindo/core/listings';
import type { ChangeEntry, EntryOf, Structure } from '@plindo/core/plans';
import type { Kind, StoredKind } from '@plindo/core/structure';
import { nextAtHour } from '@plindo/core/time';
import { isSame } from '@plindo/core/values';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import type { Row } from '../rows.js';
import { inParts, rowsOf } from '../rows.js';
import type { Statements } from '../units/statements.js';
import type { DepartureState, DueRow, RenewalState, Task } from './due-work.js';
import { departureIn, dueRowOf } from './due-work.js';

/** A departure with the kind of its listing. */
export interface KindDeparture {
  readonly kindId: number;
  readonly departure: Departure;
}

/** What work that is due is worked out from, inside a unit. */
export interface DueScene {
  readonly before: Structure;
  readonly after: Structure;
  /** Milliseconds since 1970. */
  readonly now: number;
  /** By listing, how far the clock has come with its departure in this unit. */
  readonly done: ReadonlyMap<number, KindDeparture>;
}

/** The work that a change makes due or puts off, written in its transaction. */
export class DueRows {
  constructor(
    private readonly models: Models,
    private readonly transaction: Transaction,
    private readonly statements: Statements,
  ) {}

  /** Brings work in step with what a change did. */
  async follow(entries: readonly ChangeEntry[], scene: DueScene): Promise<void> {
    await this.followListings(entries, scene);
    await this.followFeatured(entries);
    await this.followRules(entries, scene);
    if (entries.some(({ entity }) => entity === 'design')) await this.putDrafts(scene.after);
    await this.followBackups(scene);
    await this.followKinds(entries);
  }

  /** What is known of the departures of some listings, by their numbers. */
  async departures(listings: readonly number[]): Promise<Map<number, Departure>> {
    const rows = await this.rows('departure', listings);
    return new Map([...rows].map(([id, row]) => [id, departureIn(row)]));
  }

  /** Work of one sort by what it is about, as far as it is there. */
  async rows(task: Task, subjects: readonly number[]): Promise<Map<number, DueRow>> {
    const found = new Map<number, DueRow>();
    for (const subject of inParts(subjects)) {
      const options = { where: { task, subject }, transaction: this.transaction };
      for (const row of (await rowsOf(this.models.dueWork, options)).map(dueRowOf)) found.set(row.subject, row);
    }
    return found;
  }

  /** Writes departures by listing, null where there is nothing to remember; `known` is what is there. */
  async writeDepartures(
    wanted: ReadonlyMap<number, Omit<KindDeparture, 'departure'> & { readonly departure: Departure | null }>,
    known: ReadonlyMap<number, Departure>,
  ): Promise<void> {
    const changed = [...wanted].filter(([id, { departure }]) => !isSameDeparture(departure, known.get(id) ?? null));
    const gone = changed.filter(([id]) => known.has(id)).map(([id]) => id);
    for (const subject of inParts(gone)) await this.statements.delete('due_work', { task: 'departure', subject });
    const rows = changed.flatMap(([subject, { kindId, departure }]): Row[] => {
      if (!departure) return [];
      const { dueAt, ...own } = departure;
      return [newRow('departure', subject, dueAt, { kindId, ...own } satisfies DepartureState)];
    });
    await this.statements.insert('due_work', rows);
  }

  /** Puts one piece of work in the place of what there is of it; none with null. */
  async put(task: Task, subject: number, dueAt: number | null, state: object = {}): Promise<void> {
    await this.statements.delete('due_work', { task, subject });
    if (dueAt !== null) await this.statements.insert('due_work', [newRow(task, subject, dueAt, state)]);
  }

  /** Puts one piece of work no later than a moment: what is due earlier stays as it is. */
  async putBy(task: Task, subject: number, dueAt: number): Promise<void> {
    const known = (await this.rows(task, [subject])).get(subject)?.dueAt ?? null;
    if (known === null || known > dueAt) await this.put(task, subject, dueAt);
  }

  private async followListings(entries: readonly ChangeEntry[], { before, after, now, done }: DueScene): Promise<void> {
    // Of a kind that goes with its listings, it is known how it was.
    const kindOf = (entry: EntryOf<'listing'>): Kind | undefined =>
      after.kind(kindIdOf(entry)) ?? before.kind(kindIdOf(entry));
    const latest = new Map<number, EntryOf<'listing'>>();
    for (const entry of entries) if (entry.entity === 'listing') latest.set(entry.id, entry);
    const touched = [...latest.values()].filter((entry) => kindOf(entry)?.expiry);
    const ids = [...new Set([...touched.map(({ id }) => id), ...done.keys()])];
    if (ids.length === 0) return;
    const known = await this.departures(ids);
    const wanted = new Map<number, { kindId: number; departure: Departure | null }>();
    const scene = { zone: after.site.zone, nowInMs: now };
    for (const entry of touched) {
      const { id, after: listing } = entry;
      const kind = kindOf(entry)!;
      const reached = done.get(id)?.departure ?? known.get(id) ?? null;
      wanted.set(id, { kindId: kind.id, departure: departureNow(listing, reached, kind, scene) });
    }
    // What only people were told about is as it was.
    for (const [id, reached] of done) if (!wanted.has(id)) wanted.set(id, reached);
    await this.writeDepartures(wanted, known);
  }

  /** When listings are featured no longer, somebody may want to be told. */
  private async followFeatured(entries: readonly ChangeEntry[]): Promise<void> {
    const until = (listing: Listing | null): number | null => (listing?.featured ? listing.featuredUntil : null);
    const changed = entries.filter((entry) => {
      return entry.entity === 'listing' && until(entry.before) !== until(entry.after);
    }) as EntryOf<'listing'>[];
    for (const { id, after } of changed) await this.put('featured', id, until(after));
  }

  /** Where a rule or the zone is another one, what will happen to all listings is found out anew, bit by bit. */
  private async followRules(entries: readonly ChangeEntry[], { before, after, now }: DueScene): Promise<void> {
    const isOtherZone = before.site.zone !== after.site.zone;
    const kinds = new Set<number>();
    for (const entry of entries) if (entry.entity === 'kind' && isOtherRule(entry)) kinds.add(entry.id);
    if (isOtherZone) for (const { id, expiry } of after.kinds) if (expiry) kinds.add(id);
    for (const id of kinds) {
      if (!after.kind(id)) continue;
      const underWay = (await this.rows('departures', [id])).get(id)?.state as RenewalState | undefined;
      const had = before.kind(id)?.expiry?.consequences.map(({ key }) => key) ?? null;
      await this.put('departures', id, now, {
        after: 0,
        before: underWay ? underWay.before : had,
      } satisfies RenewalState);
    }
  }

  /** What happens at moments to the listings of a kind goes and comes back with it. */
  private async followKinds(entries: readonly ChangeEntry[]): Promise<void> {
    for (const entry of entries) {
      if (entry.entity !== 'kind' || (entry.before && entry.after)) continue;
      const own = 'SELECT "id" FROM listings WHERE "kindId" = :kindId';
      const options = { replacements: { kindId: entry.id }, transaction: this.transaction };
      const { sequelize } = this.models.dueWork;
      const gone = `DELETE FROM due_work WHERE "task" IN ('departure', 'featured') AND "subject" IN (${own})`;
      await sequelize!.query(gone, options);
      if (!entry.after) continue;
      const columns = '"task", "subject", "dueAt", "state", "attempts", "notBefore", "node", "leaseUntil", "fault"';
      const until = `"featured" AND "featuredUntil" IS NOT NULL AND "kindId" = :kindId`;
      const values = `'featured', "id", "featuredUntil", '{}', 0, 0, '', 0, ''`;
      await sequelize!.query(
        `INSERT INTO due_work (${columns}) SELECT ${values} FROM listings WHERE ${until}`,
        options,
      );
    }
  }

  /** Where the schedule of backups or the zone is another one, the next is made by that. */
  private async followBackups({ before: { site: before }, after: { site }, now }: DueScene): Promise<void> {
    const areSame = isSame(before.backups, site.backups) && before.zone === site.zone;
    if (!areSame) await this.put('backup', 0, site.backups ? nextAtHour(now, site.backups.hour, site.zone) : null);
  }

  /** When the next drafts are published by themselves. */
  async putDrafts({ drafts }: Pick<Structure, 'drafts'>): Promise<void> {
    const moments = drafts.flatMap(({ draft }) => (draft?.publishAt ? [Date.parse(draft.publishAt)] : []));
    await this.put('drafts', 0, moments.length > 0 ? Math.min(...moments) : null);
  }
}

function newRow(task: Task, subject: number, dueAt: number | null, state: object): Row {
  return { task, subject, dueAt, state, attempts: 0, notBefore: 0, node: '', leaseUntil: 0, fault: '' };
}

function departureNow(
  listing: Listing | null,
  known: Departure | null,
  kind: Parameters<typeof departureOf>[1],
  scene: Parameters<typeof departureOf>[3],
): Departure | null {
  if (listing) return departureOf(listing, kind, known, scene);
  // What happened to a deleted listing is remembered, in case its deletion is undone.
  return known && known.done.length > 0 ? { ...known, dueAt: null } : null;
}

function kindIdOf({ before, after }: EntryOf<'listing'>): number {
  return (after ?? before)!.kindId;
}

function isOtherRule({ before, after }: EntryOf<'kind'>): boolean {
  const rule = (kind: StoredKind | null): string => JSON.stringify(kind?.definition.expiry ?? null);
  return rule(before) !== rule(after);
}

function isSameDeparture(a: Departure | null, b: Departure | null): boolean {
  if (a === null || b === null) return a === b;
  const isSameMoment = a.leavesAt === b.leavesAt && a.dueAt === b.dueAt && a.status === b.status;
  return isSameMoment && a.done.join() === b.done.join();
}
