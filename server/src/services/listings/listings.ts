import type { Changed, ListingsWindow, User } from '@plindo/core/contract';
import type { Listing, ListingInput } from '@plindo/core/listings';
import { contentOf } from '@plindo/core/listings';
import { sentenceOfEdit } from '@plindo/core/plans';
import type { TableQuery, TableTotals, TotalsAsk } from '@plindo/core/query';
import { runTableQuery, tableTotals } from '@plindo/core/query';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';
import { addListing, changeListing } from './writing.js';

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
      const result = await addListing(unit, kindIn(unit, kindId), input, user?.name ?? '');
      return { sentence: `Added ${result.title}`, result };
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
      const result = await changeListing(unit, kind, before, input, version);
      return { sentence: sentenceOfEdit(before, contentOf(result), kind, input.values ?? {}), result };
    });
    return { changeId, result: this.live.complete(result) };
  }
}
