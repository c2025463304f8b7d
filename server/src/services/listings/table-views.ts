import type { KeptTable, User } from '@plindo/core/contract';
import { BUILT_IN_MARK, presentSubject } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';

const NOTHING_KEPT: KeptTable = { columns: null, frozen: [], views: [] };

/** What each person keeps of the tables: chosen columns and named views. They are nobody else's, so no change is logged. */
export class TableViews {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  async of(user: User, kindId: number): Promise<KeptTable> {
    this.mustExist(kindId);
    const kept = (await this.store.tableViews(user.id, kindId)) as KeptTable | null;
    return kept ? presentTable(kept) : NOTHING_KEPT;
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

/** What was kept before each built-in part had one key, by the keys of now. */
function presentTable({ columns, frozen, views }: KeptTable): KeptTable {
  const present = (keys: readonly string[]): string[] => keys.map((key) => key.replace(/^own\./, BUILT_IN_MARK));
  return {
    columns: columns && present(columns),
    frozen: present(frozen),
    views: views.map(({ ask, ...view }) => ({
      ...view,
      columns: view.columns && present(view.columns),
      frozen: present(view.frozen),
      ask: {
        ...ask,
        sort: presentSubject(ask.sort),
        filters: ask.filters.map((filter) => ({ ...filter, by: presentSubject(filter.by) })),
      },
    })),
  };
}
