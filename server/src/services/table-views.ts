import type { KeptTable, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';

const NOTHING_KEPT: KeptTable = { columns: null, frozen: [], views: [] };

/** What each person keeps of the tables: chosen columns and named views. They are nobody else's, so no change is logged. */
export class TableViews {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async of(user: User, kindId: number): Promise<KeptTable> {
    this.mustExist(kindId);
    return ((await this.store.tableViews(user.id, kindId)) as KeptTable | null) ?? NOTHING_KEPT;
  }

  async keep(user: User, kindId: number, kept: KeptTable): Promise<KeptTable> {
    this.mustExist(kindId);
    await this.store.keepTableViews(user.id, kindId, kept);
    return kept;
  }

  private mustExist(kindId: number): void {
    if (!this.live.kind(kindId)) throw Refusal.of('request.not-found');
  }
}
