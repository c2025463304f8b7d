import type { Listing } from '@plindo/core/listings';
import type { ChangeEntry, Entity } from '@plindo/core/plans';
import { Op, col, fn, where as sqlWhere, QueryTypes } from 'sequelize';
import type { Transaction, WhereOptions } from 'sequelize';
import type { Dialect } from '../dialect.js';
import { isWrittenAlike } from '../dialect.js';
import type { Models } from '../models.js';
import { kindOfLog, loggedKind, numberOrNull, parsed } from '../records.js';
import type { Row } from '../rows.js';
import { inParts, rowOf, rowsOf } from '../rows.js';
import { Statements } from './statements.js';

/** A change as the log has it. */
export interface ChangeRecord {
  readonly id: number;
  readonly at: number;
  readonly userId: number | null;
  /** By what Plindo did it, where no user did; '' for nothing that is said. */
  readonly by: string;
  readonly sentence: string;
  readonly undoneBy: number | null;
}

/** What the log says of a change as a whole. */
export type ChangeLine = Pick<ChangeRecord, 'at' | 'userId' | 'by' | 'sentence'>;

/** Who made a change; null and "Plindo" for what it did by itself. */
export interface ChangeHead {
  readonly userId: number | null;
  readonly who: string;
  readonly sentence: string;
}

/** Which changes of the log are wanted. */
export interface WantedChanges {
  /** What their sentences hold; '' for any. */
  readonly words: string;
  /** Who made them, null among them for Plindo itself; null for whoever did. */
  readonly users: readonly (number | null)[] | null;
  /** Older than the change of this number; null for the latest. */
  readonly before: number | null;
  /** Moments in milliseconds since 1970, from (in) and until (out); null is open. */
  readonly from: number | null;
  readonly until: number | null;
  readonly most: number;
}

/** A complete change, as those who follow the store are told of it, in the order of commits. */
export interface FeedChange {
  /** Its place; the next one has the next number. */
  readonly number: number;
  /** What it did. Of a large change only what isn't about listings; then the kinds of those are in `bulk`. */
  readonly entries: readonly ChangeEntry[];
  /** Kinds so many of whose listings a change touched that reading all of them is better. */
  readonly bulk: ReadonlySet<number>;
}

/** A change that touched more listings isn't told listing by listing. */
export const MOST_TOLD_ENTRIES = 5000;
const MOST_REVISIONS = 200;
const ENTRIES_AT_ONCE = 500;

/** The log of changes: what each did to which records. Written in the transaction of the change itself. */
export class ChangeLog {
  constructor(
    private readonly dialect: Dialect,
    private readonly models: Models,
  ) {}

  async writeHead(
    head: ChangeLine,
    state: 'open' | 'done' | 'staged',
    number: number | null,
    transaction: Transaction,
  ): Promise<number> {
    const [id] = await this.statements(transaction).insertNumbered('changes', [{ ...head, state, number }]);
    return id!;
  }

  async writeEntries(changeId: number, entries: readonly ChangeEntry[], transaction: Transaction): Promise<void> {
    const rows = entries.map((entry) => loggedEntry(changeId, entry));
    await this.statements(transaction).insert('change_entries', rows);
  }

  /** Completes an open change: from now on it is in the log, and in the feed at a place. */
  async complete(changeId: number, sentence: string, number: number, transaction: Transaction): Promise<void> {
    await this.statements(transaction).update('changes', { state: 'done', sentence, number }, { id: changeId });
  }

  /**
   * Completes a staged change. Answers whether it was still there: what lies about for long is taken for left over from a
   * server that stopped.
   */
  async completeStaged(changeId: number, head: ChangeLine, number: number, transaction: Transaction): Promise<boolean> {
    const changes = { ...head, state: 'done', number };
    return (await this.statements(transaction).update('changes', changes, { id: changeId, state: 'staged' })) === 1;
  }

  /** Forgets a change that was staged and not carried out, or all those that were staged before a moment. */
  async dropStaged(
    which: { readonly id: number } | { readonly before: number },
    transaction: Transaction,
  ): Promise<void> {
    const where = 'id' in which ? { id: which.id } : { at: { [Op.lt]: which.before } };
    await this.models.changes.destroy({ where: { state: 'staged', ...where }, transaction });
  }

  /** Whether this is the first one to undo a change. */
  async markUndone(changeId: number, undoneBy: number, transaction: Transaction): Promise<boolean> {
    const where = { id: changeId, undoneBy: null };
    return (await this.statements(transaction).update('changes', { undoneBy }, where)) === 1;
  }

  /** The complete changes that are wanted, latest first. */
  async latest(wanted: WantedChanges): Promise<ChangeRecord[]> {
    const { words, users, before, from, until, most } = wanted;
    const like = `%${words.toLowerCase().replace(/[%_\\]/g, '')}%`;
    const where: WhereOptions[] = [{ state: 'done' }];
    if (words !== '') where.push(sqlWhere(fn('lower', col('sentence')), { [Op.like]: like }));
    if (users !== null) where.push({ [Op.or]: users.map((userId) => ({ userId })) });
    if (before !== null) where.push({ id: { [Op.lt]: before } });
    if (from !== null) where.push({ at: { [Op.gte]: from } });
    if (until !== null) where.push({ at: { [Op.lt]: until } });
    if (users?.length === 0) return [];
    const options = { where: { [Op.and]: where }, order: [['id', 'DESC']] as [string, string][], limit: most };
    return (await rowsOf(this.models.changes, options)).map(changeOf);
  }

  /** What Plindo did by itself between two moments, latest first. */
  async byItself(from: number, until: number, limit: number): Promise<ChangeRecord[]> {
    const where = { state: 'done', by: { [Op.ne]: '' }, at: { [Op.gte]: from, [Op.lt]: until } };
    return (await rowsOf(this.models.changes, { where, order: [['id', 'DESC']], limit })).map(changeOf);
  }

  /** What somebody did, latest first. */
  async ofUser(userId: number): Promise<ChangeRecord[]> {
    return (await rowsOf(this.models.changes, { where: { userId, state: 'done' }, order: [['id', 'DESC']] })).map(
      changeOf,
    );
  }

  async one(id: number, transaction?: Transaction): Promise<ChangeRecord | null> {
    const row = await rowOf(this.models.changes, { where: { id, state: 'done' }, transaction });
    return row && changeOf(row);
  }

  async entriesOf(changeId: number, transaction?: Transaction): Promise<ChangeEntry[]> {
    const rows = await rowsOf(this.models.entries, { where: { changeId }, order: [['id', 'ASC']], transaction });
    return rows.map(entryOf);
  }

  /**
   * The same without the listings of kinds that the change added: those go with their kind. Read some at a time, as
   * others would have to wait for thousands.
   */
  async entriesToTakeBack(changeId: number): Promise<ChangeEntry[]> {
    const added = { changeId, entity: 'kind', before: null };
    const options = { attributes: ['entityId'], where: added };
    const kinds = (await rowsOf<{ entityId: number }>(this.models.entries, options)).map(({ entityId }) =>
      Number(entityId),
    );
    const isTaken = { [Op.or]: [{ entity: { [Op.ne]: 'listing' } }, { kindId: { [Op.notIn]: kinds } }] };
    const entries: ChangeEntry[] = [];
    for (let last = 0; ;) {
      const where = { changeId, id: { [Op.gt]: last }, ...(kinds.length > 0 && isTaken) };
      const rows = await rowsOf(this.models.entries, { where, order: [['id', 'ASC']], limit: ENTRIES_AT_ONCE });
      entries.push(...rows.map(entryOf));
      if (rows.length < ENTRIES_AT_ONCE) return entries;
      last = Number(rows.at(-1)!['id']);
    }
  }

  /** Numbers of the records of one entity that a change touched. */
  async idsOf(changeId: number, entity: Entity, transaction: Transaction): Promise<number[]> {
    const options = { attributes: ['entityId'], where: { changeId, entity }, transaction };
    return (await rowsOf<{ entityId: number }>(this.models.entries, options)).map(({ entityId }) => Number(entityId));
  }

  /** The listings that complete changes after a place in the feed touched. */
  async listingsSince(number: number, transaction: Transaction): Promise<Set<number>> {
    const touched = new Set<number>();
    for (const some of inParts(await this.changesSince(number, transaction))) {
      // Asked for what is about listings alone, SQLite would look through all entries that are.
      const options = { attributes: ['entity', 'entityId'], where: { changeId: some }, transaction };
      for (const row of await rowsOf(this.models.entries, options)) {
        if (row['entity'] === 'listing') touched.add(Number(row['entityId']));
      }
    }
    return touched;
  }

  /** What was done to a listing and to its connections, by change, latest first. */
  async historyOf(
    listing: number,
    transaction?: Transaction,
  ): Promise<{ change: ChangeRecord; entries: readonly ChangeEntry[] }[]> {
    const rows = await rowsOf(this.models.entries, {
      where: {
        [Op.or]: [
          { entity: 'listing', entityId: listing },
          { entity: 'connection', [Op.or]: [{ endA: listing }, { endB: listing }] },
        ],
      },
      order: [['id', 'DESC']],
      limit: MOST_REVISIONS,
      transaction,
    });
    return this.byChange(rows, transaction);
  }

  /** What was done to a design, by change, latest first. */
  async historyOfDesign(design: number): Promise<{ change: ChangeRecord; entries: readonly ChangeEntry[] }[]> {
    const where = { entity: 'design', entityId: design };
    return this.byChange(await rowsOf(this.models.entries, { where, order: [['id', 'DESC']], limit: MOST_REVISIONS }));
  }

  /** Entries with the changes that they are of, as far as those are complete. */
  private async byChange(
    rows: readonly Row[],
    transaction?: Transaction,
  ): Promise<{ change: ChangeRecord; entries: readonly ChangeEntry[] }[]> {
    const byChange = new Map<number, ChangeEntry[]>();
    for (const row of rows) {
      const id = Number(row['changeId']);
      byChange.set(id, [...(byChange.get(id) ?? []), entryOf(row)]);
    }
    const where = { id: [...byChange.keys()], state: 'done' };
    const changes = await rowsOf(this.models.changes, { where, order: [['id', 'DESC']], transaction });
    return changes.map(changeOf).map((change) => ({ change, entries: byChange.get(change.id) ?? [] }));
  }

  /** The complete changes after a place in the feed, in their order; at most `limit`. */
  async feedAfter(number: number, limit: number): Promise<FeedChange[]> {
    const where = { number: { [Op.gt]: number } };
    const options = { attributes: ['id', 'number'], where, limit };
    const changes = await rowsOf(this.models.changes, { ...options, order: [['number', 'ASC']] });
    return Promise.all(changes.map((row) => this.told(Number(row['id']), Number(row['number']))));
  }

  /** Who made changes and what their sentences are, by their places in the feed. */
  async headsOf(numbers: readonly number[]): Promise<Map<number, ChangeHead>> {
    const rows = await this.dialect.sequelize.query<ChangeHead & { number: number; by: string }>(
      'SELECT changes."number", changes."userId", changes."sentence", changes."by", users."name" AS "who" ' +
        'FROM changes LEFT JOIN users ON users."id" = changes."userId" WHERE changes."number" IN (:numbers)',
      { replacements: { numbers: [...numbers] }, type: QueryTypes.SELECT },
    );
    return new Map(
      rows.map(({ number, userId, who, sentence }) => [
        Number(number),
        { userId: userId === null ? null : Number(userId), who: who ?? 'Plindo', sentence },
      ]),
    );
  }

  /** Whether a change after a place in the feed left one of some texts, such as hashes, in a record. */
  async isMentionedSince(number: number, texts: readonly string[], transaction: Transaction): Promise<boolean> {
    for (const id of await this.changesSince(number, transaction)) {
      const entries = await this.entriesOf(id, transaction);
      const after = entries.map((entry) => JSON.stringify(entry.after));
      if (texts.some((text) => after.some((one) => one.includes(text)))) return true;
    }
    return false;
  }

  private async changesSince(number: number, transaction: Transaction): Promise<number[]> {
    const options = { attributes: ['id'], where: { number: { [Op.gt]: number } }, transaction };
    return (await rowsOf<{ id: number }>(this.models.changes, options)).map(({ id }) => id);
  }

  private statements(transaction: Transaction): Statements {
    return new Statements(this.dialect, transaction);
  }

  private async told(changeId: number, number: number): Promise<FeedChange> {
    const listings = { changeId, entity: 'listing' };
    const many = await this.models.entries.count({ where: listings });
    if (many <= MOST_TOLD_ENTRIES) return { number, entries: await this.entriesOf(changeId), bulk: new Set() };
    const options = { attributes: ['kindId'], where: listings, group: ['kindId'] };
    const kinds = await rowsOf<{ kindId: number | null }>(this.models.entries, options);
    const where = { changeId, entity: { [Op.ne]: 'listing' } };
    const entries = (await rowsOf(this.models.entries, { where, order: [['id', 'ASC']] })).map(entryOf);
    return { number, entries, bulk: new Set(kinds.map(({ kindId }) => Number(kindId))) };
  }
}

/** A change as it is told, by all that it did. */
export function feedChange(number: number, entries: readonly ChangeEntry[]): FeedChange {
  const listings = entries.filter((entry) => entry.entity === 'listing');
  if (listings.length <= MOST_TOLD_ENTRIES) return { number, entries, bulk: new Set() };
  const bulk = new Set(listings.map(({ before, after }) => (after ?? before)!.kindId));
  return { number, entries: entries.filter(({ entity }) => entity !== 'listing'), bulk };
}

function entryOf(row: Row): ChangeEntry {
  const entity = row['entity'] as Entity;
  const side = (column: unknown): object | null => {
    const record = column == null ? null : parsed<object | null>(column);
    return record && entity === 'kind' ? kindOfLog(record) : record;
  };
  const [before, after] = [side(row['before']), side(row['after'])];
  const isPart = entity === 'listing' && before && after && !('id' in before);
  const id = Number(row['entityId']);
  return { entity, id, before: isPart ? { ...after, ...before } : before, after } as ChangeEntry;
}

/**
 * An entry as columns; of a connection also the listings at its ends, by which their history finds it. Of a listing that
 * is changed only what was different before is kept: batches would write twice as much.
 */
function loggedEntry(changeId: number, entry: ChangeEntry): Row {
  const { entity, id: entityId, before, after } = entry;
  const own = { changeId, entity, entityId, kindId: null, before, after, endA: null, endB: null };
  if (entity === 'kind') {
    return { ...own, before: entry.before && loggedKind(entry.before), after: entry.after && loggedKind(entry.after) };
  }
  if (entity === 'listing') {
    const { kindId } = (entry.after ?? entry.before)!;
    return { ...own, kindId, before: entry.before && entry.after ? different(entry.before, entry.after) : before };
  }
  if (entity !== 'connection') return own;
  const { a: endA, b: endB } = (entry.after ?? entry.before)!;
  return { ...own, endA, endB };
}

/** What a listing had before that it hasn't after. */
function different(before: Listing, after: Listing): Partial<Listing> {
  // An undone entry may be of before a part existed, and have less than there is.
  const names = new Set([...Object.keys(before), ...Object.keys(after)] as (keyof Listing)[]);
  return Object.fromEntries(
    [...names].filter((name) => !isWrittenAlike(before[name], after[name])).map((name) => [name, before[name] ?? null]),
  );
}

function changeOf(row: Row): ChangeRecord {
  return {
    id: Number(row['id']),
    at: Number(row['at']),
    userId: numberOrNull(row['userId']),
    by: String(row['by'] ?? ''),
    sentence: String(row['sentence']),
    undoneBy: numberOrNull(row['undoneBy']),
  };
}
