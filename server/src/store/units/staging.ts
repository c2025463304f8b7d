import type { EntryOf } from '@plindo/core/plans';
import type { Transaction } from 'sequelize';
import { inParts } from '../rows.js';
import type { ChangeLog } from './change-log.js';
import { listingRows } from './listing-rows.js';
import type { StagedListings } from './staged-listings.js';

/** From so many listings on it is worth the additional transactions. */
const STAGED_FROM = 1000;
/** What is staged is carried out within seconds. */
const LONGEST_STAGED_IN_MS = 3_600_000;

type Writing = <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;

/** Puts what large changes will do into the log before others have to wait for them. */
export class Staging {
  constructor(
    private readonly log: ChangeLog,
    private readonly writing: Writing,
    private readonly clock: () => Date,
  ) {}

  /**
   * Carries out a change of many listings; `ahead` tells what it will do at a moment, as far as that is known before, and
   * `work` gets what is staged of it, or null for what is better done at once. What it doesn't carry out after all is
   * forgotten.
   */
  async carryOut<T>(
    ahead: (at: number) => readonly EntryOf<'listing'>[] | null,
    work: (staged: StagedListings | null) => Promise<T>,
  ): Promise<T> {
    const at = this.clock().getTime();
    const entries = ahead(at);
    if (!entries || entries.length < STAGED_FROM) return work(null);
    const head = { at, userId: null, by: '', sentence: '' };
    const changeId = await this.writing((transaction) => this.log.writeHead(head, 'staged', null, transaction));
    try {
      for (const some of inParts(entries)) {
        await this.writing((transaction) => this.log.writeEntries(changeId, some, transaction));
      }
      return await work({ changeId, at, entries, rows: listingRows(entries) });
    } finally {
      const forgotten = this.writing((transaction) => this.log.dropStaged({ id: changeId }, transaction));
      // What can't be forgotten now is forgotten at a start; how the change itself ended counts.
      await forgotten.catch(() => undefined);
    }
  }

  /** Forgets what a server has staged and, as it was stopped, not carried out. */
  async forget(): Promise<void> {
    const before = this.clock().getTime() - LONGEST_STAGED_IN_MS;
    await this.writing((transaction) => this.log.dropStaged({ before }, transaction));
  }
}
