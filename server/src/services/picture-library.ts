import type { Changed, KeptPicture, PictureUse, PictureWindow, User } from '@plindo/core/contract';
import { keptThingsOf } from '@plindo/core/listings';
import { foldText } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { PictureRecord, Store } from '../store/index.js';
import { PerRevision } from './per-revision.js';
import { Refusal } from './refusal.js';

const MOST_USES = 5;
/** Pictures that came in so lately may stand in a form that isn't saved yet. */
const FRESH_IN_MS = 3_600_000;
const MOST_AT_ONCE = 1000;

interface Uses {
  count: number;
  readonly first: PictureUse[];
}

/** All kept pictures, where each is used, and deleting those that nothing uses. */
export class PictureLibrary {
  private readonly uses: PerRevision<ReadonlyMap<string, Uses>>;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly clock: () => Date,
  ) {
    this.uses = new PerRevision(live, () => this.count());
  }

  /** A window of the pictures, latest first; narrowed to unused ones, or by words of their file names. */
  async window(ask: { text: string; unused: boolean; offset: number; limit: number }): Promise<PictureWindow> {
    const [all, uses] = await Promise.all([this.store.pictures.all(), this.uses.get()]);
    const isUnused = ({ hash }: PictureRecord): boolean => !uses.has(hash);
    const wanted = foldText(ask.text.trim());
    const found = all
      .filter((picture) => !ask.unused || isUnused(picture))
      .filter(({ fileName }) => foldText(fileName).includes(wanted));
    const pictures = found.slice(ask.offset, ask.offset + ask.limit).map((picture): KeptPicture => {
      const { hash, width, height, fileName, bytes, createdAt } = picture;
      const { count = 0, first = [] } = uses.get(hash) ?? {};
      return { hash, width, height, fileName, bytes, createdAt, uses: count, usedBy: first };
    });
    return { total: found.length, unused: all.filter(isUnused).length, pictures };
  }

  /** Deletes the named pictures; refused when one of them is used. */
  async remove(user: User, hashes: readonly string[]): Promise<Changed<{ pictures: number }>> {
    const records = await Promise.all(hashes.map((hash) => this.store.pictures.find(hash)));
    const found = records.filter((record) => record !== null);
    if (found.length < hashes.length) throw Refusal.of('request.not-found');
    const uses = await this.uses.get();
    const used = found.find(({ hash }) => uses.has(hash));
    if (used) {
      const title = uses.get(used.hash)!.first[0]?.title ?? '';
      throw Refusal.of('picture.used', { name: used.fileName, title });
    }
    return this.delete(user, found);
  }

  /** Deletes what nothing uses and what wasn't sent just now. */
  async removeUnused(user: User): Promise<Changed<{ pictures: number }>> {
    const [all, uses] = await Promise.all([this.store.pictures.all(), this.uses.get()]);
    const before = this.clock().getTime() - FRESH_IN_MS;
    const unused = all.filter(({ hash, createdAt }) => !uses.has(hash) && createdAt < before);
    return this.delete(user, unused.slice(0, MOST_AT_ONCE));
  }

  private async delete(user: User, records: readonly PictureRecord[]): Promise<Changed<{ pictures: number }>> {
    const sentence =
      records.length === 1 ? `Deleted the picture ${records[0]!.fileName}` : `Deleted ${records.length} pictures`;
    return this.live.change({ userId: user.id, sentence }, async (unit) => {
      for (const before of records) await unit.restore({ entity: 'picture', id: before.number, before, after: null });
      return { pictures: records.length };
    });
  }

  /** Where each picture is used: in listings, those in the bin too, and in categories. */
  private async count(): Promise<Map<string, Uses>> {
    const uses = new Map<string, Uses>();
    const use = (hash: string, by: PictureUse): void => {
      const known = uses.get(hash) ?? { count: 0, first: [] };
      known.count++;
      if (known.first.length < MOST_USES) known.first.push(by);
      uses.set(hash, known);
    };
    for (const set of this.live.categorySets()) {
      for (const { picture, label } of set.categories) {
        if (picture) use(picture.hash, { title: `${label} of ${set.label}`, link: ['shape', 'categories', set.id] });
      }
    }
    for (const kind of this.live.kinds()) {
      for await (const stretch of this.store.listingsOf(kind.id)) {
        for (const listing of stretch) {
          const by: PictureUse = { title: listing.title, link: ['fill', kind.id, listing.id] };
          const hashes = keptThingsOf(listing, kind.fields).pictures.map(({ thing }) => thing.hash);
          for (const hash of new Set(hashes)) use(hash, by);
        }
      }
    }
    return uses;
  }
}
