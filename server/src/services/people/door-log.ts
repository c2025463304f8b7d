import type { DoorEvent, DoorEventName, User } from '@plindo/core/contract';
import type { Store } from '../../store/index.js';

const KEPT_IN_MS = 180 * 24 * 3600 * 1000;
const MOST_SHOWN = 500;

/** Where a request comes from. */
export interface From {
  /** The network address. */
  readonly address: string;
  readonly browser: string;
}

/** Tells whoever runs the server, too; null in tests. */
export type TellDoor = (event: DoorEvent) => void;

/** Writes down who came in, who was refused, and whose access was changed. No secret is ever in it. */
export class DoorLog {
  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    private readonly tell: TellDoor,
  ) {}

  /** `who` is a user, or the e-mail address that somebody gave. */
  async note(what: DoorEventName, who: User | string, from: From, about = ''): Promise<void> {
    const at = this.clock().getTime();
    const [userId, email] = typeof who === 'string' ? [null, who] : [who.id, who.email];
    const { address } = from;
    this.tell({ at: new Date(at).toISOString(), what, who: email, address, about });
    await this.store.doorLog.add({ at, what, userId, email, address, about }, at - KEPT_IN_MS);
  }

  async latest(): Promise<DoorEvent[]> {
    const [events, users] = await Promise.all([this.store.doorLog.latest(MOST_SHOWN), this.store.accounts.users()]);
    const names = new Map(users.map(({ id, name }) => [id, name]));
    return events.map(({ at, what, userId, email, address, about }) => {
      const who = (userId === null ? undefined : names.get(userId)) ?? email;
      return { at: new Date(at).toISOString(), what, who, address, about };
    });
  }
}
