import type { Changed, User } from '@plindo/core/contract';
import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, readListing } from '@plindo/core/listings';
import type { CategoryChange } from '@plindo/core/plans';
import { copyOf, exclusiveLinkIssues, withCategoryChange, withoutLinked } from '@plindo/core/plans';
import type { Kind, ReadContext } from '@plindo/core/structure';
import { ReadContexts } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Refusal, firstFreeSlug, refuseIfAny } from '@plindo/core/values';
import { setImmediate as breath } from 'node:timers/promises';
import type { Store } from '../../store/index.js';
import { editConnections } from './connecting.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated } from '../editing.js';
import { withReferences } from './listings.js';

/** Between so many, others get their turn. */
const PARTS_BETWEEN_BREATHS = 200;
/** So many copies look for their addresses one by one. */
const FEW = 50;

/** One listing's part of a batch. */
export interface BatchPart {
  readonly id: number;
  /** The version that the editor has seen; null where the present one will do. */
  readonly version: number | null;
  readonly input: ListingInput;
}

/** Changes of many listings as one: all of them or none. */
export class Batches {
  private readonly contexts = new ReadContexts();

  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
    private readonly clock: () => Date,
  ) {}

  /**
   * Changes each listing by its own input; what is refused is told with the title of its listing. Inputs are read before
   * others have to wait, and once more in the unit where what they were read by has changed meanwhile.
   */
  async change(
    user: User,
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null,
  ): Promise<Changed<{ listings: number }>> {
    const early = await this.readEarly(kindId, parts, categories);
    return this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const inputs = parts.map(({ input }) => input);
      refuseIfAny(exclusiveLinkIssues(kind, unit.structure.links, inputs));
      const listings = await unit.stillAs(early.listings);
      const changed = parts.map((part, at) => {
        const { id, version, input } = part;
        const before = existing(listings, kind, id);
        if (version !== null) refuseOutdated(before, version, before.title);
        const known = kind === early.kind && before === early.listings.get(id) ? early.contents[at] : undefined;
        const content = known ?? readPart(unit.context(), kind, before, input, categories);
        return { before, given: input, content };
      });
      for (const { before, given } of changed) await editConnections(unit, kind, before.id, given.values ?? {});
      const updates = changed.map(({ before, content }) => {
        return { before, content: { ...content, values: withoutLinked(content.values, kind) } };
      });
      await unit.updateListings(updates);
      return { sentence: `Changed ${parts.length} ${kind.many}`, result: { listings: changed.length } };
    });
  }

  /** What inputs come to as far as it is known before the unit: null for what has to wait for it, and for what is refused. */
  private async readEarly(
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null,
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
    return { kind, listings, contents };
  }

  /** Copies listings as drafts, without what has to be different in each, and without their links. */
  duplicate(user: User, kindId: number, ids: readonly number[]): Promise<Changed<{ listings: number }>> {
    return this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const listings = await unit.listings(ids);
      // One by one few are asked for; of many all are read at once.
      const taken = ids.length > FEW ? await unit.slugsOf(kindId) : new Set<string>();
      const copies: ListingContent[] = [];
      for (const id of new Set(ids)) {
        const copy = copyOf(contentOf(existing(listings, kind, id)), kind);
        const slug =
          ids.length > FEW
            ? firstFreeSlug(copy.slug, (one) => taken.has(one))
            : await unit.freeSlug(kindId, copy.slug, taken);
        taken.add(slug);
        copies.push({ ...copy, slug });
      }
      await unit.insertListings(kindId, await withReferences(unit, kind, copies));
      return { sentence: `Duplicated ${copies.length} ${kind.many}`, result: { listings: copies.length } };
    });
  }
}

function existing(listings: ReadonlyMap<number, Listing>, kind: Kind, id: number): Listing {
  const listing = listings.get(id);
  if (listing?.kindId !== kind.id) throw Refusal.of('request.not-found');
  return listing;
}

/** What is read before a unit, and by what. */
interface EarlyReading {
  readonly kind: Kind | undefined;
  readonly listings: ReadonlyMap<number, Listing>;
  /** By the place of its part; nothing for one that is refused or not there. */
  readonly contents: readonly (ListingContent | undefined)[];
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
