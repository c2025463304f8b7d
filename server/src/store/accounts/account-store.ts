import type { User } from '@plindo/core/contract';
import type { Models } from '../models.js';
import type { Writing } from '../media/picture-store.js';
import { userOf } from '../records.js';
import { rowOf, rowsOf } from '../rows.js';
import { AccountReading } from './account-reading.js';

/** People. Passwords come here as hashes only. */
export class AccountStore extends AccountReading {
  constructor(
    models: Models,
    private readonly writing: Writing,
  ) {
    super(models);
  }

  async hasUsers(): Promise<boolean> {
    return (await this.models.users.count()) > 0;
  }

  async users(): Promise<User[]> {
    return (await rowsOf(this.models.users, {})).map(userOf);
  }

  async noteSeen(id: number, seenAt: number): Promise<void> {
    await this.models.users.update({ seenAt }, { where: { id } });
  }

  /** Puts the hash of another secret of the calendar's feed in the place of the one before; null closes the feed. */
  async setCalendarSecret(hash: string | null, createdAt: number): Promise<void> {
    await this.writing(async (transaction) => {
      await this.models.calendarFeeds.destroy({ where: {}, transaction });
      if (hash !== null) await this.models.calendarFeeds.create({ hash, createdAt }, { transaction });
    });
  }

  async calendarSecret(): Promise<string | null> {
    return (await rowOf<{ hash: string }>(this.models.calendarFeeds, {}))?.hash ?? null;
  }
}
