import type { OwnData, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Account, Store } from '../../store/index.js';
import { Telling } from '../notices/telling.js';
import { checkedEmail } from './accounts.js';
import type { DoorLog, From } from './door-log.js';
import type { Passwords } from './passwords.js';
import { digest } from './secrets.js';

/** What somebody changes of their own access; their present password is asked for whatever opens the door. */
export class OwnAccess {
  constructor(
    private readonly store: Store,
    private readonly passwords: Passwords,
    private readonly doorLog: DoorLog,
  ) {}

  async of(user: User): Promise<Pick<Account, 'stepSecret' | 'spareCodes'>> {
    return this.account(user);
  }

  /** What is kept of somebody besides their sessions and tokens. */
  async dataOf(user: User): Promise<Pick<OwnData, 'user' | 'hasSecondStep' | 'door' | 'changes'>> {
    const [{ stepSecret }, events, changes] = await Promise.all([
      this.account(user),
      this.store.doorLog.of(user.id),
      this.store.log.ofUser(user.id),
    ]);
    const door = events.map(({ at, what, address, about }) => ({ at: isoOf(at), what, address, about }));
    const done = changes.map(({ at, sentence }) => ({ at: isoOf(at), sentence }));
    return { user, hasSecondStep: stepSecret !== null, door, changes: done };
  }

  /** Refused by `auth.wrong-password`. */
  async prove(user: User, password: string): Promise<Account> {
    const account = await this.account(user);
    if (await this.passwords.isRight(account.passwordHash, password)) return account;
    throw Refusal.of('auth.wrong-password', {}, 'password');
  }

  /**
   * Another name or e-mail address; the old address is told of the new one. Refused by `people.taken`
   * and `value.required`.
   */
  async setDetails(
    user: User,
    given: { readonly name: string; readonly email: string; readonly password: string },
    from: From,
  ): Promise<User> {
    const [name, email] = [given.name.trim(), checkedEmail(given.email)];
    if (name === '') throw Refusal.of('value.required', { label: 'Name' }, 'name');
    if (email !== user.email) await this.prove(user, given.password);
    await this.store.aside(async (unit) => {
      const holder = await unit.people.byEmail(email);
      if (holder && holder.id !== user.id) throw Refusal.of('people.taken', { email }, 'email');
      await unit.people.change(user.id, { name, email });
      if (email !== user.email) await new Telling(unit).tellOfAccess(user, 'email');
    });
    await this.doorLog.note('own-details', user, from, email === user.email ? '' : email);
    return { ...user, name, email };
  }

  /** Another password; all other sessions end. `secret` is of the session that stays. */
  async setPassword(
    user: User,
    given: { readonly password: string; readonly next: string },
    secret: string,
    from: From,
  ): Promise<void> {
    await this.prove(user, given.password);
    const passwordHash = await this.passwords.chosen(given.next);
    await this.store.aside(async (unit) => {
      await unit.people.change(user.id, { passwordHash });
      await unit.people.signOut(user.id, { tokenHash: digest(secret), keepsTokens: true });
      await unit.people.removeLinks({ purpose: 'password', userId: user.id });
      await new Telling(unit).tellOfAccess(user, 'password');
    });
    await this.doorLog.note('password-changed', user, from);
  }

  private async account({ id }: User): Promise<Account> {
    const account = await this.store.accounts.one(id);
    if (!account) throw Refusal.of('auth.required');
    return account;
  }
}

function isoOf(moment: number): string {
  return new Date(moment).toISOString();
}
