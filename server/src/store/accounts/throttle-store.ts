import { Op } from 'sequelize';
import type { Models } from '../models.js';
import { rowOf } from '../rows.js';

/** How often something was tried in a stretch of time, counted for all nodes together. */
export class ThrottleStore {
  constructor(private readonly models: Models) {}

  /** Counts a try; the first one of a stretch says when that ends. */
  async count(key: string, nowInMs: number, stretchInMs: number): Promise<{ hits: number; resetAt: number }> {
    await this.models.throttles.destroy({ where: { resetAt: { [Op.lte]: nowInMs } } });
    const table = this.models.throttles;
    await table.sequelize!.query(
      'INSERT INTO throttles ("key", "hits", "resetAt") VALUES (:key, 1, :resetAt) ' +
        'ON CONFLICT ("key") DO UPDATE SET "hits" = throttles."hits" + 1',
      { replacements: { key, resetAt: nowInMs + stretchInMs } },
    );
    const row = await rowOf<{ hits: number; resetAt: number }>(table, { where: { key } });
    return { hits: Number(row?.hits ?? 1), resetAt: Number(row?.resetAt ?? nowInMs + stretchInMs) };
  }

  /** Takes a try back, as one that succeeded doesn't count. */
  async discount(key: string): Promise<void> {
    await this.models.throttles.decrement('hits', { where: { key, hits: { [Op.gt]: 0 } } });
  }

  async forget(key: string): Promise<void> {
    await this.models.throttles.destroy({ where: { key } });
  }
}
