import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, readListing } from '@plindo/core/listings';
import type { CategoryChange, EntryOf } from '@plindo/core/plans';
import { exclusiveLinkIssues, withCategoryChange, withoutLinked } from '@plindo/core/plans';
import type { Kind, ReadContext } from '@plindo/core/structure';
import { ReadContexts } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import { setImmediate as breath } from 'node:timers/promises';
import type { SeenListings, StagedListings, Store, Unit } from '../../store/index.js';
import { entriesAhead } from '../../store/index.js';
import { refuseOutdated } from '../editing.js';
import { editConnections } from './connecting.js';

/** Between so many, others get their turn. */
const PARTS_BETWEEN_BREATHS = 200;

/** One listing's part of a batch. */
export interface BatchPart {
  readonly id: number;
  /** The version that the editor has seen; null where the present one will do. */
  readonly version: number | null;
  readonly input: ListingInput;
}

/** Reads the parts of batches before others have to wait for them. */
export class BatchReader {
  private readonly contexts = new ReadContexts();

  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
  ) {}

  /**
   * Carries out a change of listings by their parts; what can be made of it before others have to wait is staged. `change`
   * is the change itself, which calls `changeParts`.
   */
  withStaged<T>(
    parts: readonly BatchPart[],
    early: EarlyReading,
    change: (staged: StagedListings | null) => Promise<T>,
  ): Promise<T> {
    return this.store.staging.carryOut((at) => partsAhead(parts, early, at), change);
  }

  /**
   * The contents that inputs lead to, as far as they are known before the unit: nothing for an input that is refused or has to wait for
   * the unit.
   */
  async read(
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null = null,
  ): Promise<EarlyReading> {
    const structure = await this.store.structure();
    const kind = structure.kind(kindId);
    const seen = await this.store.see(parts.map(({ id }) => id));
    const context = this.contexts.of(structure.site, this.clock().getTime());
    const contents: (ListingContent | undefined)[] = [];
    for (const [at, { id, input }] of parts.entries()) {
      if (at % PARTS_BETWEEN_BREATHS === 0) await breath();
      const before = seen.listings.get(id);
      contents.push(before && kind && readContent(context, kind, before, input, categories).content);
    }
    return { ...seen, kind, contents, categories, zone: context.zone };
  }
}

/**
 * Changes listings by their parts, inside a unit: what they were read by before is read once more where it has changed
 * meanwhile, and what is staged counts where nothing has. Refused by `request.not-found`, `change.conflict`, and by what the values are refused for.
 */
export async function changeParts(
  unit: Unit,
  kind: Kind,
  parts: readonly BatchPart[],
  early: EarlyReading,
  staged: StagedListings | null,
): Promise<void> {
  const inputs = parts.map(({ input }) => input);
  refuseIfAny(exclusiveLinkIssues(kind, unit.structure.links, inputs));
  const listings = await unit.stillAs(early);
  const changed = parts.map((part, at) => {
    const { id, version, input } = part;
    const before = existing(listings, kind, id);
    if (version !== null) refuseOutdated(before, version, before.title);
    const known = kind === early.kind && before === early.listings.get(id) ? early.contents[at] : undefined;
    const content = known ?? readPart(unit.context(), kind, before, input, early.categories);
    return { before, given: input, content };
  });
  const isStaged =
    staged !== null &&
    changed.every(({ before, content }, at) => {
      return before === staged.entries[at]?.before && content === early.contents[at];
    });
  if (isStaged) {
    await unit.writeListings(staged.entries, staged.rows);
    return;
  }
  for (const { before, given } of changed) await editConnections(unit, kind, before.id, given.values ?? {});
  await unit.updateListings(changed.map(({ before, content }) => ({ before, content: withoutLinks(content, kind) })));
}

/** A listing of a kind as it is in a unit; refused by `request.not-found` when it is gone. */
export function existing(listings: ReadonlyMap<number, Listing>, kind: Kind, id: number): Listing {
  const listing = listings.get(id);
  if (listing?.kindId !== kind.id) throw Refusal.of('request.not-found');
  return listing;
}

/** What is read before a unit, and by what. */
export interface EarlyReading extends SeenListings {
  readonly kind: Kind | undefined;
  /** By the place of its part; nothing for one that is refused or not there. */
  readonly contents: readonly (ListingContent | undefined)[];
  readonly categories: CategoryChange | null;
  readonly zone: string;
}

/** What parts will do, each to a listing of its own; null where that is only known inside the unit. */
function partsAhead(
  parts: readonly BatchPart[],
  { kind, listings, contents, zone }: EarlyReading,
  at: number,
): EntryOf<'listing'>[] | null {
  const isOnce = new Set(parts.map(({ id }) => id)).size === parts.length;
  const hasLinks = kind?.fields.some(
    ({ type, key }) => type === 'link' && parts.some(({ input }) => input.values && Object.hasOwn(input.values, key)),
  );
  if (!kind || !isOnce || hasLinks) return null;
  const all = parts.flatMap(({ id }, place) => {
    const [before, content] = [listings.get(id), contents[place]];
    return before && content ? [{ before, content: withoutLinks(content, kind) }] : [];
  });
  return all.length === parts.length ? entriesAhead(all, kind, zone, at) : null;
}

function withoutLinks(content: ListingContent, kind: Kind): ListingContent {
  return { ...content, values: withoutLinked(content.values, kind) };
}

function readPart(
  context: ReadContext,
  kind: Kind,
  before: Listing,
  given: ListingInput,
  categories: CategoryChange | null,
): ListingContent {
  const { content, issues } = readContent(context, kind, before, given, categories);
  refuseIfAny(issues);
  return content!;
}

function readContent(
  context: ReadContext,
  kind: Kind,
  before: Listing,
  given: ListingInput,
  categories: CategoryChange | null,
): { readonly content: ListingContent | undefined; readonly issues: Issue[] } {
  const values = { ...given.values, ...(categories && withCategoryChange(before, categories)) };
  const read = readListing(categories ? { ...given, values } : given, kind, context, contentOf(before));
  const issues = read.issues.map((found) => ({ ...found, message: `${before.title}: ${found.message}` }));
  return { content: issues.length === 0 ? read.content : undefined, issues };
}
