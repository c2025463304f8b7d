import type { DeskChange, DeskEvent, User } from '@plindo/core/contract';
import type { ChangeEntry } from '@plindo/core/plans';
import type { Tell } from '../../live/live.js';
import type { FeedChange, Store } from '../../store/index.js';

/** A Desk says so often where it is; after three times of silence it counts for closed. */
export const HEARD_WITHIN_IN_MS = 60_000;
/** Of larger changes only the kinds are told. */
const MOST_LISTINGS_TOLD = 200;
/** So many streams one person, and all together, may have open. */
const MOST_OF_ONE = 12;
const MOST_IN_ALL = 500;

/** A Desk that listens. */
interface Listener {
  readonly userId: number;
  send(event: DeskEvent): void;
  close(): void;
}

/** Tells open Desks what others change, and who else has a listing open. */
export class OpenDesks {
  private readonly listeners = new Set<Listener>();
  private stopFollowing: (() => Promise<void>) | null = null;
  private position = 0;
  private reading: Promise<void> | null = null;
  private isWanted = false;

  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    private readonly tell: Tell,
  ) {}

  /** Begins to follow the feed of changes, from what is there. */
  async start(): Promise<void> {
    this.position = (await this.store.present()).number;
    this.stopFollowing = this.store.follow(() => this.wake());
  }

  async stop(): Promise<void> {
    await this.stopFollowing?.();
    await this.reading;
    for (const listener of this.listeners) listener.close();
    this.listeners.clear();
  }

  /** Listens for a person; answers how to stop, or null where too many listen already. */
  listen(user: User, send: (event: DeskEvent) => void, close: () => void): (() => void) | null {
    const own = [...this.listeners].filter(({ userId }) => userId === user.id).length;
    if (own >= MOST_OF_ONE || this.listeners.size >= MOST_IN_ALL) return null;
    const listener: Listener = { userId: user.id, send, close };
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }

  /** Notes in which listing a Desk is, null for in none; answers the names of the others who have it open. */
  async stand(user: User, desk: string, listingId: number | null): Promise<string[]> {
    const now = this.clock().getTime();
    await this.store.desks.note(desk, user.id, listingId, now, now - HEARD_WITHIN_IN_MS);
    if (listingId === null) return [];
    return (await this.store.desks.mates(listingId, user.id, now - HEARD_WITHIN_IN_MS)).map(({ name }) => name);
  }

  private wake(): void {
    this.isWanted = true;
    this.reading ??= this.read()
      .catch((error: unknown) => this.tell(error, 'Open Desks could not be told of changes.'))
      .finally(() => (this.reading = null));
  }

  private async read(): Promise<void> {
    while (this.isWanted) {
      this.isWanted = false;
      for (;;) {
        const changes = await this.store.feedAfter(this.position, 'look');
        if (changes.length === 0) break;
        this.position = changes.at(-1)!.number;
        if (this.listeners.size > 0) await this.pass(changes);
      }
    }
  }

  private async pass(changes: readonly FeedChange[]): Promise<void> {
    const heads = await this.store.log.headsOf(changes.map(({ number }) => number));
    for (const change of changes) {
      const head = heads.get(change.number);
      if (!head) continue;
      const event: DeskChange = { type: 'change', sentence: head.sentence, who: head.who, ...aboutOf(change) };
      for (const listener of this.listeners) listener.send({ ...event, isOwn: listener.userId === head.userId });
    }
  }
}

/** Which kinds and listings a change is about. */
function aboutOf({ entries, bulk }: FeedChange): Pick<DeskChange, 'kinds' | 'listings' | 'structure' | 'submissions'> {
  const kinds = new Set(bulk);
  const listings = new Set<number>();
  let isStructural = false;
  let hasSubmissions = false;
  for (const entry of entries) {
    if (entry.entity === 'listing') {
      kinds.add((entry.after ?? entry.before)!.kindId);
      listings.add(entry.id);
    } else if (entry.entity === 'connection') {
      for (const id of endsOf(entry)) listings.add(id);
    } else if (entry.entity === 'submission') hasSubmissions = true;
    else isStructural = true;
  }
  const isTold = bulk.size === 0 && listings.size <= MOST_LISTINGS_TOLD;
  return {
    kinds: [...kinds],
    listings: isTold ? [...listings] : null,
    structure: isStructural,
    submissions: hasSubmissions,
  };
}

function endsOf({ before, after }: Extract<ChangeEntry, { entity: 'connection' }>): number[] {
  const connection = after ?? before;
  return connection ? [connection.a, connection.b] : [];
}
