import { nextAtHour } from '@plindo/core/time';
import type { Backups } from '../backup/backups.js';
import type { Store } from '../store/index.js';

/** One that a stop cut off is begun again after so long. */
const AGAIN_AFTER_IN_MS = 3_600_000;

/** Makes the backups that the settings of the site ask for. */
export class ScheduledBackups {
  constructor(
    private readonly store: Store,
    private readonly backups: Backups,
    private readonly node: string,
    private readonly clock: () => Date,
  ) {}

  /** Makes one, if one is due. */
  async look(): Promise<void> {
    const now = (): number => this.clock().getTime();
    const [row] = await this.store.due.claim('backup', this.node, now(), 1);
    if (!row) return;
    // Before it is made, so that no other node makes it too, however long it takes.
    await this.store.aside((unit) => unit.due.put('backup', 0, now() + AGAIN_AFTER_IN_MS));
    await this.backups.make();
    await this.store.aside(async (unit) => {
      const { backups, zone } = unit.structure.site;
      await unit.due.put('backup', 0, backups ? nextAtHour(now(), backups.hour, zone) : null);
    });
  }
}
