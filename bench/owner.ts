import type { User } from '@plindo/core/contract';
import { DoorLog } from '@plindo/server/services/people/door-log';
import { Passwords } from '@plindo/server/services/people/passwords';
import { Tokens } from '@plindo/server/services/people/tokens';
import type { Store } from '@plindo/server/store/index';
import { DEMO_OWNER } from '../e2e/harness/desk.js';

/** Adds the owner of a store that a benchmark fills. */
export async function addOwner(store: Store, clock: () => Date): Promise<User> {
  const passwordHash = await new Passwords().chosen(DEMO_OWNER.password);
  const createdAt = clock().getTime();
  const given = { email: DEMO_OWNER.email, name: 'Owner', role: 'owner', passwordHash, createdAt } as const;
  return store.aside(({ people }) => people.add(given));
}

/** The secret of an access token of somebody. */
export async function addToken(store: Store, clock: () => Date, user: User): Promise<string> {
  const tokens = new Tokens(store, clock, new DoorLog(store, clock, () => undefined));
  const given = { name: 'Bench', readOnly: false, days: null };
  return (await tokens.add(user, given, { address: '', browser: '' })).secret;
}
