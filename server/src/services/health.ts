import { statfs } from 'node:fs/promises';
import type { ErrorCode } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, StoreTrouble } from '../store/index.js';

/** With less room than that nothing more can be kept. */
const LEAST_FREE_IN_BYTES = 16 * 1024 * 1024;
/** With less room than that somebody should see to it. */
const LOW_IN_BYTES = 512 * 1024 * 1024;

const CODES: Readonly<Record<StoreTrouble, ErrorCode>> = {
  away: 'server.store-away',
  full: 'server.disk-full',
  'read-only': 'server.read-only',
  damaged: 'server.store-damaged',
};

/** How the program itself is. */
export interface Ready {
  readonly ok: boolean;
  /** Goes up with every change. */
  readonly revision: number;
  readonly store: boolean;
  /** The disk that pictures and files lie on, and an SQLite store: bytes that are free, and whether that is little. */
  readonly disk: { readonly free: number; readonly isLow: boolean };
}

export class Health {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly folder: string,
  ) {}

  /** Whether requests can be answered and changes kept: the database is reached, and the disk has room. */
  async ready(): Promise<Ready> {
    const { bavail, bsize } = await statfs(this.folder);
    const free = bavail * bsize;
    const store = await this.store.isReached();
    const disk = { free, isLow: free < LOW_IN_BYTES };
    return { ok: store && free >= LEAST_FREE_IN_BYTES, revision: this.live.revision, store, disk };
  }

  /** The code of what keeps the server from doing what was asked, by an error of the store or of the disk; null for none. */
  troubleOf(error: unknown): ErrorCode | null {
    const code = (error as NodeJS.ErrnoException | null)?.code ?? '';
    if (code === 'ENOSPC' || code === 'EDQUOT') return CODES.full;
    if (code === 'EROFS') return CODES['read-only'];
    const trouble = this.store.troubleOf(error);
    return trouble && CODES[trouble];
  }
}
