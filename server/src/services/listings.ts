import type { Changed, ListingsWindow, User } from '@plindo/core/contract';
import type { Listing, ListingContent, ListingInput, Values } from '@plindo/core/listings';
import { STATUS_LABELS, contentOf, keptThingsOf, readListing } from '@plindo/core/listings';
import type { TableQuery } from '@plindo/core/query';
import { runTableQuery } from '@plindo/core/query';
import type { Kind } from '@plindo/core/structure';
import { hasPart } from '@plindo/core/structure';
import { firstFreeSlug, issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import { Outdated } from '../store/index.js';
import type { Connections } from './connections.js';
import { withoutLinked } from './connections.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** Reading, adding and changing listings. */
export class Listings {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly connections: Connections,
  ) {}

  async window(kindId: number, query: TableQuery): Promise<ListingsWindow> {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const { total, ids } = runTableQuery(catalog, query, this.live.context());
    return { total, offset: query.offset, listings: await this.live.listings(ids) };
  }

  /** A listing with its computed values. */
  async one(id: number): Promise<Listing> {
    return this.complete(await this.kept(id));
  }

  async add(user: User | null, kindId: number, input: ListingInput): Promise<Changed<Listing>> {
    const kind = this.kind(kindId);
    const author = hasPart(kind, 'author') && input.author === undefined ? { author: user?.name ?? '' } : {};
    const read = readListing({ ...input, ...author }, kind, this.live.context());
    refuseIfAny(read.issues);
    await this.checkKept(read.content, kind);
    const head = { userId: user?.id ?? null, sentence: `Added ${read.content.title}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const taken = await unit.slugsOf(kindId);
      if (input.slug && taken.has(read.content.slug)) throw slugTaken(read.content.slug, kind);
      const slug = firstFreeSlug(read.content.slug, (candidate) => taken.has(candidate));
      const values = this.withUniqueValues(withoutLinked(read.content.values, kind), kind, null);
      const [listing] = await unit.insertListings(kindId, [{ ...read.content, values, slug }]);
      await this.connections.edit(unit, kind, listing!.id, input.values ?? {});
      return listing!;
    });
    return { changeId, result: this.complete(result) };
  }

  /** Changes what is given and leaves the rest; `version` is the one that the editor has seen. */
  async update(user: User, id: number, version: number, input: ListingInput): Promise<Changed<Listing>> {
    const seen = await this.kept(id);
    const kind = this.kind(seen.kindId);
    const read = readListing(input, kind, this.live.context(), contentOf(seen));
    refuseIfAny(read.issues);
    await this.checkKept(read.content, kind);
    const head = { userId: user.id, sentence: sentenceFor(seen, read.content, kind, input.values ?? {}) };
    const outdated = Refusal.of('change.conflict', { title: seen.title });
    if (seen.version !== version) throw outdated;
    const change = this.live.change(head, async (unit) => {
      const isNew = read.content.slug !== seen.slug;
      if (isNew && (await unit.slugsOf(kind.id)).has(read.content.slug)) throw slugTaken(read.content.slug, kind);
      const values = this.withUniqueValues(withoutLinked(read.content.values, kind), kind, id);
      await this.connections.edit(unit, kind, id, input.values ?? {});
      return unit.updateListing(seen, { ...read.content, values });
    });
    const { changeId, result } = await change.catch((error: unknown) => {
      throw error instanceof Outdated ? outdated : error;
    });
    return { changeId, result: this.complete(result) };
  }

  private async kept(id: number): Promise<Listing> {
    const listing = await this.store.listing(id);
    if (!listing) throw Refusal.of('request.not-found');
    return listing;
  }

  private complete(listing: Listing): Listing {
    return this.live.complete(listing);
  }

  private kind(id: number): Kind {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }

  /**
   * The values with reference numbers given out; refused when one has to be different in every listing and isn't.
   * Called inside a change, so that no other one comes between the check and the write.
   */
  private withUniqueValues(values: Values, kind: Kind, id: number | null): Values {
    const catalog = this.live.catalog(kind.id);
    if (!catalog) return values;
    const complete = catalog.uniques.withReferences(values, kind.fields);
    refuseIfAny(catalog.uniques.issuesOf(complete, kind.fields, id, (holder) => catalog.titleOf(holder)));
    return complete;
  }

  /** Refuses pictures and files that are not kept here. */
  private async checkKept(content: ListingContent, kind: Kind): Promise<void> {
    const { pictures, files } = keptThingsOf(content, kind.fields);
    for (const { label, key, thing } of pictures) {
      if (await this.store.pictures.find(thing.hash)) continue;
      refuseIfAny([issue('value.not-a-picture', { label, found: thing.hash }, { field: key })]);
    }
    for (const { label, key, thing } of files) {
      if (await this.store.files.find(thing.hash)) continue;
      refuseIfAny([issue('value.not-a-file', { label, found: thing.name }, { field: key })]);
    }
  }
}

function slugTaken(slug: string, kind: Kind): Refusal {
  return Refusal.of('listing.slug-taken', { slug, kind: kind.one }, 'slug');
}

/** What a change did, for the log: the status if that is what changed, else the names of what did. */
function sentenceFor(
  before: Listing,
  after: ListingContent,
  kind: Kind,
  given: Readonly<Record<string, unknown>>,
): string {
  if (before.status !== after.status) {
    if (after.status === 'binned') return `Put ${after.title} into the bin`;
    return before.status === 'binned'
      ? `Restored ${after.title}`
      : `Set ${after.title} to ${STATUS_LABELS[after.status]}`;
  }
  const parts: string[] = [];
  if (before.title !== after.title) parts.push('title');
  if (before.summary !== after.summary) parts.push('summary');
  if (before.slug !== after.slug) parts.push('address');
  if (JSON.stringify(before.picture) !== JSON.stringify(after.picture)) parts.push('lead picture');
  if (before.body !== after.body) parts.push('body');
  if (JSON.stringify(before.place) !== JSON.stringify(after.place)) parts.push('place');
  if (before.author !== after.author) parts.push('author');
  if (before.featured !== after.featured) parts.push('Featured');
  if (before.handOrder !== after.handOrder) parts.push('hand order');
  for (const { key, label, type } of kind.fields) {
    if (type === 'link' && Object.hasOwn(given, key)) parts.push(label);
    else if (JSON.stringify(before.values[key]) !== JSON.stringify(after.values[key])) parts.push(label);
  }
  return `Changed ${parts.join(', ') || 'nothing'} of ${after.title}`;
}
