import type { Changed, User } from '@plindo/core/contract';
import type { ListingContent } from '@plindo/core/listings';
import { contentOf } from '@plindo/core/listings';
import type { CategoryChange } from '@plindo/core/plans';
import { copyOf } from '@plindo/core/plans';
import { firstFreeSlug } from '@plindo/core/values';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';
import type { BatchPart, BatchReader } from './batch-parts.js';
import { changeParts, existing } from './batch-parts.js';
import { withReferences } from './writing.js';

/** So many copies look for their addresses one by one. */
const FEW = 50;

/** Changes of many listings as one: all of them or none. */
export class Batches {
  constructor(
    private readonly reader: BatchReader,
    private readonly editing: Editing,
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
    const early = await this.reader.read(kindId, parts, categories);
    return this.reader.withStaged(parts, early, (staged) =>
      this.editing.change(
        user,
        async (unit) => {
          const kind = kindIn(unit, kindId);
          await changeParts(unit, kind, parts, early, staged);
          return { sentence: `Changed ${parts.length} ${kind.many}`, result: { listings: parts.length } };
        },
        { staged },
      ),
    );
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
