import type { Changed, User } from '@plindo/core/contract';
import type { Listing, ListingContent, ListingInput } from '@plindo/core/listings';
import { contentOf, readListing } from '@plindo/core/listings';
import type { CategoryChange } from '@plindo/core/plans';
import { copyOf, exclusiveLinkIssues, withCategoryChange, withoutLinked } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { Refusal, firstFreeSlug, refuseIfAny } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { editConnections } from './connecting.js';
import type { Editing } from '../editing.js';
import { kindIn, refuseOutdated } from '../editing.js';
import { withReferences } from './listings.js';

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
  constructor(private readonly editing: Editing) {}

  /** Changes each listing by its own input; what is refused is told with the title of its listing. */
  change(
    user: User,
    kindId: number,
    parts: readonly BatchPart[],
    categories: CategoryChange | null,
  ): Promise<Changed<{ listings: number }>> {
    return this.editing.change(user, async (unit) => {
      const kind = kindIn(unit, kindId);
      const inputs = parts.map(({ input }) => input);
      refuseIfAny(exclusiveLinkIssues(kind, unit.structure.links, inputs));
      const listings = await unit.listings(parts.map(({ id }) => id));
      const changed = parts.map(({ id, version, input }) => {
        const before = existing(listings, kind, id);
        if (version !== null) refuseOutdated(before, version, before.title);
        return { before, given: input, content: readPart(unit, kind, before, input, categories) };
      });
      for (const { before, given } of changed) await editConnections(unit, kind, before.id, given.values ?? {});
      const updates = changed.map(({ before, content }) => {
        return { before, content: { ...content, values: withoutLinked(content.values, kind) } };
      });
      await unit.updateListings(updates);
      return { sentence: `Changed ${parts.length} ${kind.many}`, result: { listings: changed.length } };
    });
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

function readPart(
  unit: Unit,
  kind: Kind,
  before: Listing,
  given: ListingInput,
  categories: CategoryChange | null,
): ListingContent {
  const values = { ...given.values, ...(categories && withCategoryChange(before, categories)) };
  const read = readListing(categories ? { ...given, values } : given, kind, unit.context(), contentOf(before));
  refuseIfAny(read.issues.map((found) => ({ ...found, message: `${before.title}: ${found.message}` })));
  return read.content;
}
