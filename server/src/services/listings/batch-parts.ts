import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, readListing } from '@plindo/core/listings';
import type { CategoryChange } from '@plindo/core/plans';
import { exclusiveLinkIssues, withCategoryChange, withoutLinked } from '@plindo/core/plans';
import type { Kind, ReadContext } from '@plindo/core/structure';
import { ReadContexts } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import { setImmediate as breath } from 'node:timers/promises';
import type { Store, Unit } from '../../store/index.js';
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

  /** What inputs come to as far as it is known before the unit: nothing for what has to wait for it, and for what is refused. */
  async read(
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null = null,
  ): Promise<EarlyReading> {
    const structure = await this.store.structure();
    const kind = structure.kind(kindId);
    const listings = new Map((await this.store.listings(parts.map(({ id }) => id))).map((one) => [one.id, one]));
    const context = this.contexts.of(structure.site, this.clock().getTime());
    const contents: (ListingContent | undefined)[] = [];
    for (const [at, { id, input }] of parts.entries()) {
      if (at % PARTS_BETWEEN_BREATHS === 0) await breath();
      const before = listings.get(id);
      contents.push(before && kind && readContent(context, kind, before, input, categories).content);
    }
    return { kind, listings, contents, categories };
  }
}

/**
 * Changes listings by their parts, inside a unit: what they were read by before is read once more where it has changed
 * meanwhile. Refused by `request.not-found`, `change.conflict`, and by what the values are refused for.
 */
export async function changeParts(
  unit: Unit,
  kind: Kind,
  parts: readonly BatchPart[],
  early: EarlyReading,
): Promise<void> {
  const inputs = parts.map(({ input }) => input);
  refuseIfAny(exclusiveLinkIssues(kind, unit.structure.links, inputs));
  const listings = await unit.stillAs(early.listings);
  const changed = parts.map((part, at) => {
    const { id, version, input } = part;
    const before = existing(listings, kind, id);
    if (version !== null) refuseOutdated(before, version, before.title);
    const known = kind === early.kind && before === early.listings.get(id) ? early.contents[at] : undefined;
    const content = known ?? readPart(unit.context(), kind, before, input, early.categories);
    return { before, given: input, content };
  });
  for (const { before, given } of changed) await editConnections(unit, kind, before.id, given.values ?? {});
  const updates = changed.map(({ before, content }) => {
    return { before, content: { ...content, values: withoutLinked(content.values, kind) } };
  });
  await unit.updateListings(updates);
}

/** A listing of a kind as it is in a unit; refused by `request.not-found` when it is gone. */
export function existing(listings: ReadonlyMap<number, Listing>, kind: Kind, id: number): Listing {
  const listing = listings.get(id);
  if (listing?.kindId !== kind.id) throw Refusal.of('request.not-found');
  return listing;
}

/** What is read before a unit, and by what. */
export interface EarlyReading {
  readonly kind: Kind | undefined;
  readonly listings: ReadonlyMap<number, Listing>;
  /** By the place of its part; nothing for one that is refused or not there. */
  readonly contents: readonly (ListingContent | undefined)[];
  readonly categories: CategoryChange | null;
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
