import { createHash } from 'node:crypto';
import type { Changed, ExamplesSummary, User } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import { contentOf } from '@plindo/core/listings';
import { Refusal } from '@plindo/core/values';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';

/** The listings that came with a starter, which go by one act when there are others. */
export class Examples {
  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
  ) {}

  async summary(): Promise<ExamplesSummary> {
    const examples = await this.store.examples();
    return summaryOf(await this.store.listings([...examples.keys()]), examples);
  }

  /** Puts all examples into the bin but those that somebody has changed. Refused with `request.not-found` where there are none. */
  throwAway(user: User): Promise<Changed<ExamplesSummary>> {
    return this.editing.change(user, async (unit) => {
      const examples = await unit.examples();
      const listings = [...(await unit.listings([...examples.keys()])).values()];
      const untouched = listings.filter((listing) => isThere(listing) && isAsItCame(listing, examples));
      if (untouched.length === 0) throw Refusal.of('request.not-found');
      for (const listing of untouched) await unit.updateListing(listing, { ...contentOf(listing), status: 'binned' });
      const left = listings.filter((listing) => !untouched.includes(listing));
      const sentence = `Threw ${untouched.length} examples away`;
      return { sentence, result: summaryOf(left, examples) };
    });
  }
}

/** Remembers that the listings with some numbers are examples as they are now. */
export async function noteAsExamples(unit: Unit, ids: readonly number[]): Promise<void> {
  const listings = await unit.listings(ids);
  await unit.noteExamples(new Map([...listings].map(([id, listing]) => [id, hashOf(listing)])));
}

function summaryOf(listings: readonly Listing[], examples: ReadonlyMap<number, string>): ExamplesSummary {
  const there = listings.filter(isThere);
  const untouched = there.filter((listing) => isAsItCame(listing, examples)).length;
  return { untouched, changed: there.length - untouched };
}

function isThere({ status }: Listing): boolean {
  return status !== 'binned';
}

function isAsItCame(listing: Listing, examples: ReadonlyMap<number, string>): boolean {
  return examples.get(listing.id) === hashOf(listing);
}

/** Of what an editor says of it, but where it stands in its life. */
function hashOf(listing: Listing): string {
  const { status: _, ...said } = contentOf(listing);
  return createHash('sha256').update(JSON.stringify(said)).digest('hex');
}
