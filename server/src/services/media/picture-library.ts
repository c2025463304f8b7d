import type { Changed, KeptPicture, PictureUse, PictureWindow, User } from '@plindo/core/contract';
import { hashesIn } from '@plindo/core/exchange';
import { keptThingsOf } from '@plindo/core/listings';
import type { PictureRecord } from '@plindo/core/structure';
import { foldText, Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit, Written } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { PerRevision } from '../per-revision.js';

const MOST_USES = 5;
/** Pictures that came in so lately may stand in a form that isn't saved yet. */
const FRESH_IN_MS = 3_600_000;
const MOST_AT_ONCE = 1000;

interface Uses {
  count: number;
  readonly first: PictureUse[];
}

/** Where pictures are used, by their hashes, as it was at a place in the feed of changes. */
interface Walk {
  readonly position: number;
  readonly uses: ReadonlyMap<string, Uses>;
}

/** All kept pictures, where each is used, and deleting those that nothing uses. */
export class PictureLibrary {
  private readonly uses: PerRevision<Walk>;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
    private readonly clock: () => Date,
  ) {
    this.uses = new PerRevision(live, () => this.count());
  }

  /** A window of the pictures, latest first; narrowed to unused ones, or by words of their file names. */
  async window(ask: { text: string; unused: boolean; offset: number; limit: number }): Promise<PictureWindow> {
    const [all, { uses }] = await Promise.all([this.store.pictures.all(), this.uses.get()]);
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

  /**
   * Deletes the named pictures. Refused by `picture.used` where one of them is used, and by `request.not-found`.
   */
  async remove(user: User, hashes: readonly string[]): Promise<Changed<{ pictures: number }>> {
    const walk = await this.uses.get();
    return this.editing.change(user, async (unit) => {
      const found = await unit.pictures(hashes);
      if (found.length < new Set(hashes).size) throw Refusal.of('request.not-found');
      const used = found.find(({ hash }) => walk.uses.has(hash));
      if (used) {
        const title = walk.uses.get(used.hash)!.first[0]?.title ?? '';
        throw Refusal.of('picture.used', { name: used.fileName, title });
      }
      return deleteAll(unit, found, walk);
    });
  }

  /** Deletes what nothing uses and what wasn't sent just now. */
  async removeUnused(user: User): Promise<Changed<{ pictures: number }>> {
    const [all, walk] = await Promise.all([this.store.pictures.all(), this.uses.get()]);
    const before = this.clock().getTime() - FRESH_IN_MS;
    const unused = all.filter(({ hash, createdAt }) => !walk.uses.has(hash) && createdAt < before);
    const hashes = unused.slice(0, MOST_AT_ONCE).map(({ hash }) => hash);
    return this.editing.change(user, async (unit) => deleteAll(unit, await unit.pictures(hashes), walk));
  }

  /** Where each picture is used: in listings, those in the bin too, in categories, in designs and in what visitors have sent in. */
  private async count(): Promise<Walk> {
    const { position } = this.live;
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
    for (const { definition, kindId } of [...this.live.designs(), ...this.live.drafts()]) {
      const link = kindId === null ? ['arrange'] : ['arrange', kindId];
      for (const hash of new Set(hashesIn(definition))) use(hash, { title: definition.name, link });
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
    for await (const stretch of this.store.submissions.all()) {
      for (const { id, title, values } of stretch) {
        for (const hash of new Set(hashesIn(values))) use(hash, { title, link: ['run', 'review', id] });
      }
    }
    return { position, uses };
  }
}

/** Deletes pictures, unless one has come into use since all uses were looked for. */
async function deleteAll(
  unit: Unit,
  pictures: readonly PictureRecord[],
  walk: Walk,
): Promise<Written<{ pictures: number }>> {
  const hashes = pictures.map(({ hash }) => hash);
  const name = pictures[0]?.fileName ?? '';
  if (await unit.log.isMentionedSince(walk.position, hashes, unit.transaction)) {
    throw Refusal.of('picture.used-lately');
  }
  for (const before of pictures) await unit.remove('picture', before.number, before);
  const sentence = pictures.length === 1 ? `Deleted the picture ${name}` : `Deleted ${pictures.length} pictures`;
  return { sentence, result: { pictures: pictures.length } };
}
