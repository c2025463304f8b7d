import type { Changed, ListingsWindow, User } from '@plindo/core/contract';
import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, keptThingsOf, readListing } from '@plindo/core/listings';
import { fieldsToNumber, sentenceOfEdit, withoutLinked } from '@plindo/core/plans';
import type { TableQuery, TableTotals, TotalsAsk } from '@plindo/core/query';
import { runTableQuery, tableTotals } from '@plindo/core/query';
import type { Kind } from '@plindo/core/structure';
import { hasPart } from '@plindo/core/structure';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import { editConnections } from './connecting.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated } from '../editing.js';
import { refuseNotKept } from '../media/kept.js';

/** Reading, adding and changing listings. */
export class Listings {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  /** Some rows of the table of a kind, and how many there are. Refused by `request.not-found`. */
  async window(kindId: number, query: TableQuery): Promise<ListingsWindow> {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    const { total, ids } = runTableQuery(catalog, query, this.live.context());
    return { total, offset: query.offset, listings: await this.live.listings(ids) };
  }

  /** What columns of the table come to. Refused by `request.not-found`. */
  totals(kindId: number, ask: TotalsAsk): TableTotals {
    const catalog = this.live.catalog(kindId);
    if (!catalog) throw Refusal.of('request.not-found');
    return tableTotals(catalog, ask, this.live.context());
  }

  /** A listing with its computed values. Refused by `request.not-found`. */
  async one(id: number): Promise<Listing> {
    const listing = await this.store.listing(id);
    if (!listing) throw Refusal.of('request.not-found');
    return this.live.complete(listing);
  }

  async add(user: User | null, kindId: number, input: ListingInput): Promise<Changed<Listing>> {
    const { changeId, result } = await this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const author = hasPart(kind, 'author') && input.author === undefined ? { author: user?.name ?? '' } : {};
      const { content, issues } = readListing({ ...input, ...author }, kind, unit.context());
      refuseIfAny(issues);
      await refuseNotKept(unit, keptThingsOf(content, kind.fields));
      const slug = await slugFor(unit, kind, content.slug, Boolean(input.slug));
      const [numbered] = await withReferences(unit, kind, [content]);
      const values = withoutLinked(numbered!.values, kind);
      const [listing] = await unit.insertListings(kindId, [{ ...numbered!, values, slug }]);
      await editConnections(unit, kind, listing!.id, input.values ?? {});
      return { sentence: `Added ${content.title}`, result: listing! };
    });
    return { changeId, result: this.live.complete(result) };
  }

  /**
   * Changes what is given and leaves the rest; `version` is the one that the editor has seen. Refused by `request.not-found`.
   */
  async update(user: User, id: number, version: number, input: ListingInput): Promise<Changed<Listing>> {
    const { changeId, result } = await this.editing.change(user, async (unit) => {
      const before = await unit.listing(id);
      if (!before) throw Refusal.of('request.not-found');
      const kind = kindIn(unit, before.kindId);
      const { content, issues } = readListing(input, kind, unit.context(), contentOf(before));
      refuseIfAny(issues);
      await refuseNotKept(unit, keptThingsOf(content, kind.fields));
      refuseOutdated(before, version, before.title);
      if (content.slug !== before.slug) await slugFor(unit, kind, content.slug, true);
      const [numbered] = await withReferences(unit, kind, [content]);
      const values = withoutLinked(numbered!.values, kind);
      await editConnections(unit, kind, id, input.values ?? {});
      const result = await unit.updateListing(before, { ...numbered!, values });
      return { sentence: sentenceOfEdit(before, content, kind, input.values ?? {}), result };
    });
    return { changeId, result: this.live.complete(result) };
  }
}

/** An address that is free in a kind: the wanted one, or, where it needn't be exactly that, one like it. */
async function slugFor(unit: Unit, kind: Kind, wanted: string, isAsked: boolean): Promise<string> {
  if (!isAsked) return unit.freeSlug(kind.id, wanted);
  if (await unit.hasSlug(kind.id, wanted)) {
    throw Refusal.of('listing.slug-taken', { slug: wanted, kind: kind.one }, 'slug');
  }
  return wanted;
}

/** Contents with the next reference number in each reference field that has none. */
export async function withReferences<Content extends Pick<ListingContent, 'values'>>(
  unit: Unit,
  kind: Pick<Kind, 'id' | 'fields'>,
  contents: readonly Content[],
): Promise<Content[]> {
  const result = [...contents];
  for (const field of kind.fields.filter(({ type }) => type === 'reference')) {
    const places = result.flatMap(({ values }, at) => (fieldsToNumber(values, [field]).length > 0 ? [at] : []));
    if (places.length === 0) continue;
    const given = await unit.references(kind.id, field, places.length);
    places.forEach((at, turn) => {
      result[at] = { ...result[at]!, values: { ...result[at]!.values, [field.key]: given[turn] } };
    });
  }
  return result;
}
