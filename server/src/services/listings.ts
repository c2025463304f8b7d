import type { Changed, ListingsWindow, User } from '@plindo/core/contract';
import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { STATUS_LABELS, readListing } from '@plindo/core/listings';
import type { TableQuery } from '@plindo/core/query';
import { runTableQuery } from '@plindo/core/query';
import type { Kind, Picture } from '@plindo/core/structure';
import { asPicture, readContext } from '@plindo/core/structure';
import { firstFreeSlug, issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** Reading, adding and changing listings. */
export class Listings {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async window(kindId: number, query: TableQuery): Promise<ListingsWindow> {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const { total, ids } = runTableQuery(catalog, query);
    return { total, offset: query.offset, listings: await this.store.listings(ids) };
  }

  async one(id: number): Promise<Listing> {
    const listing = await this.store.listing(id);
    if (!listing) throw Refusal.of('request.not-found');
    return listing;
  }

  async add(user: User | null, kindId: number, input: ListingInput): Promise<Changed<Listing>> {
    const kind = this.kind(kindId);
    const read = readListing(input, kind, readContext(this.live.site().locale));
    refuseIfAny(read.issues);
    await this.checkPictures(read.content, kind);
    const head = { userId: user?.id ?? null, sentence: `Added ${read.content.title}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const taken = await unit.slugsOf(kindId);
      if (input.slug && taken.has(read.content.slug)) throw slugTaken(read.content.slug, kind);
      const slug = firstFreeSlug(read.content.slug, (candidate) => taken.has(candidate));
      const [listing] = await unit.insertListings(kindId, [{ ...read.content, slug }]);
      return listing!;
    });
    return { changeId, result };
  }

  /** Changes what is given and leaves the rest; `version` is the one that the editor has seen. */
  async update(user: User, id: number, version: number, input: ListingInput): Promise<Changed<Listing>> {
    const seen = await this.one(id);
    const kind = this.kind(seen.kindId);
    const read = readListing(input, kind, readContext(this.live.site().locale), contentOf(seen));
    refuseIfAny(read.issues);
    await this.checkPictures(read.content, kind);
    const head = { userId: user.id, sentence: sentenceFor(seen, read.content, kind) };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await unit.listing(id);
      if (!before) throw Refusal.of('request.not-found');
      if (before.version !== version) throw Refusal.of('change.conflict', { title: before.title });
      const isNew = read.content.slug !== before.slug;
      if (isNew && (await unit.slugsOf(kind.id)).has(read.content.slug)) throw slugTaken(read.content.slug, kind);
      return unit.updateListing(before, read.content);
    });
    return { changeId, result };
  }

  private kind(id: number): Kind {
    const kind = this.live.kind(id);
    if (!kind) throw Refusal.of('request.not-found');
    return kind;
  }

  /** Refuses pictures that are not kept here; their size is known better from the store than from a request. */
  private async checkPictures(content: ListingContent, kind: Kind): Promise<void> {
    const ofFields = kind.fields
      .filter((field) => field.type === 'picture')
      .map((field) => ({ label: field.label, key: field.key, picture: asPicture(content.values[field.key]) }));
    const all: { label: string; key: string; picture: Picture | null }[] = [
      { label: 'Lead picture', key: 'picture', picture: content.picture },
      ...ofFields,
    ];
    for (const { label, key, picture } of all) {
      if (picture && !(await this.store.pictures.find(picture.hash))) {
        refuseIfAny([issue('value.not-a-picture', { label, found: picture.hash }, { field: key })]);
      }
    }
  }
}

function slugTaken(slug: string, kind: Kind): Refusal {
  return Refusal.of('listing.slug-taken', { slug, kind: kind.one }, 'slug');
}

function contentOf({ slug, title, summary, picture, values, status, featured, handOrder }: Listing): ListingContent {
  return { slug, title, summary, picture, values, status, featured, handOrder };
}

/** What a change did, for the log: the status if that is what changed, else the names of what did. */
function sentenceFor(before: Listing, after: ListingContent, kind: Kind): string {
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
  if (before.featured !== after.featured) parts.push('Featured');
  if (before.handOrder !== after.handOrder) parts.push('hand order');
  for (const { key, label } of kind.fields) {
    if (JSON.stringify(before.values[key]) !== JSON.stringify(after.values[key])) parts.push(label);
  }
  return `Changed ${parts.join(', ') || 'nothing'} of ${after.title}`;
}
