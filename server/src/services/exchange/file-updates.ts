import type { Changed, FileUpdate, FileUpdateResult, User } from '@plindo/core/contract';
import type { BadValuePolicy, ListingName, MatchedRow, RowComparison } from '@plindo/core/exchange';
import { compareRow, readBatch } from '@plindo/core/exchange';
import { namesOfListing, namingIssues } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { ReadContexts, fieldAt } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { StagedListings, Store, Unit, Written } from '../../store/index.js';
import { kindIn } from '../editing.js';
import type { Editing } from '../editing.js';
import type { BatchPart, BatchReader } from '../listings/batch-parts.js';
import { changeParts } from '../listings/batch-parts.js';
import { addRows } from './adding-rows.js';

const MISSING_STATUS = { hide: 'hidden', bin: 'binned' } as const;
const MISSING_WORDS = { hide: 'hid', bin: 'binned', leave: 'left' } as const;

/** A file that is brought again into a kind: matched with its listings, compared, and carried out as one change. */
export class FileUpdates {
  private readonly contexts = new ReadContexts();

  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
    private readonly reader: BatchReader,
    private readonly clock: () => Date,
  ) {}

  /** What names each listing of a kind that is not in the bin. Refused by `request.not-found` and `kind.fields`. */
  async names(kindId: number, by: string): Promise<ListingName[]> {
    const kind = await this.kind(kindId);
    const field = fieldAt(kind, by);
    refuseIfAny(namingIssues(field, by));
    const names: ListingName[] = [];
    for await (const stretch of this.store.listingsOf(kindId)) {
      for (const listing of stretch) {
        if (listing.status === 'binned') continue;
        names.push({ id: listing.id, version: listing.version, name: namesOfListing(listing, by, field!)[0] ?? '' });
      }
    }
    return names;
  }

  /** What rows would make of their listings as they are now; nothing is changed. Refused by `request.not-found`. */
  async compare(kindId: number, rows: readonly MatchedRow[], policy: BadValuePolicy): Promise<RowComparison[]> {
    const structure = await this.store.structure();
    const kind = await this.kind(kindId);
    const ids = rows.flatMap(({ id }) => id ?? []);
    const listings = new Map((await this.store.listings(ids)).map((one) => [one.id, one]));
    const context = this.contexts.of(structure.site, this.clock().getTime());
    return rows.map((row): RowComparison => {
      const found = row.id === null ? undefined : listings.get(row.id);
      const before = found?.kindId === kindId ? found : null;
      return compareRow(row, before, kind, policy, context);
    });
  }

  /**
   * Carries out what was compared, all of it or nothing. Refused by `change.conflict` where a listing has changed since,
   * by `value.taken` and what else values are refused for.
   */
  async carryOut(user: User, kindId: number, update: FileUpdate): Promise<Changed<FileUpdateResult>> {
    const { additions, missing, policy, fileName } = update;
    const parts: BatchPart[] = [
      ...update.changes,
      ...(missing.act === 'leave' ? [] : missing.listings).map(({ id, version }) => {
        return { id, version, input: { status: MISSING_STATUS[missing.act as 'hide' | 'bin'] } };
      }),
    ];
    const early = await this.reader.read(kindId, parts);
    const work = async (unit: Unit, staged: StagedListings | null): Promise<Written<FileUpdateResult>> => {
      const kind = kindIn(unit, kindId);
      await changeParts(unit, kind, parts, early, staged);
      const read = readBatch(additions, kind, policy, unit.context());
      const { taken, reports } = await addRows(unit, kind, read, await unit.slugsOf(kindId));
      refuseIfAny(reports.flatMap(({ issues }) => issues));
      const result: FileUpdateResult = {
        added: taken.size,
        changed: update.changes.length,
        missing: parts.length - update.changes.length,
      };
      const gone = result.missing > 0 ? `, ${MISSING_WORDS[missing.act]} ${result.missing}` : '';
      const sentence = `Brought in ${fileName} again: added ${result.added} and changed ${result.changed} ${kind.many}${gone}`;
      return { sentence, result };
    };
    return this.reader.withStaged(parts, early, (staged) =>
      this.editing.change(user, (unit) => work(unit, staged), { staged }),
    );
  }

  private async kind(id: number): Promise<Kind> {
    const kind = (await this.store.structure()).kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }
}
