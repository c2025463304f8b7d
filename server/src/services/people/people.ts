import type { InvitationSummary, InvitedTo, OneTimeLink, People as AllPeople, Role, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Account, AccountReading, OneTimeLinkRecord, Store, Unit } from '../../store/index.js';
import { isErased } from '../../store/index.js';
import { Telling } from '../notices/telling.js';
import type { Accounts, SignedIn } from './accounts.js';
import { checkedEmail } from './accounts.js';
import type { DoorLog, From } from './door-log.js';
import type { Passwords } from './passwords.js';
import { NOBODYS_HASH } from './passwords.js';
import { digest, newSecret } from './secrets.js';

const LINK_IN_MS = 24 * 3600 * 1000;
/** Whoever asks again and again gets no more mails than that. */
const AGAIN_AFTER_IN_MS = 2 * 60_000;

export interface InviteInput {
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

export interface PeopleParts {
  readonly store: Store;
  readonly clock: () => Date;
  readonly accounts: Accounts;
  readonly passwords: Passwords;
  readonly doorLog: DoorLog;
  readonly tell: (error: unknown, sentence: string) => void;
}

/** Who works here: invitations, roles, and links for those who have forgotten their password. */
export class People {
  constructor(private readonly parts: PeopleParts) {}

  async all(): Promise<AllPeople> {
    const now = this.now();
    const all = await this.parts.store.accounts.all();
    const names = new Map(all.map(({ id, name }) => [id, name]));
    const open = (await this.parts.store.accounts.links('invitation')).filter(({ expiresAt }) => expiresAt > now);
    const invitations = open.map(({ id, email, name, role, byId, expiresAt }): InvitationSummary => ({
      ...{ id, email, name, role, by: names.get(byId ?? 0) ?? '' },
      expiresAt: new Date(expiresAt).toISOString(),
    }));
    return { people: all.filter((one) => !isErased(one)).map(personOf), invitations };
  }

  /** Invites somebody with a link that works once, which `base` stands before. Refused by `people.taken`. */
  async invite(by: User, given: InviteInput, base: string, from: From): Promise<OneTimeLink> {
    const email = checkedEmail(given.email);
    const made = await this.parts.store.aside(async (unit) => {
      if (await unit.people.byEmail(email)) throw Refusal.of('people.taken', { email }, 'email');
      // Whoever is invited again can use the last link only.
      await unit.people.removeLinks({ purpose: 'invitation', email });
      const link = { purpose: 'invitation', userId: null, email, name: given.name.trim(), role: given.role } as const;
      const kept = await this.addLink(unit, { ...link, byId: by.id }, `${base}/desk/invitation`);
      await new Telling(unit).tellPerson('invitation', `${kept.id}`, { who: by.name }, { to: email, link: kept.link });
      return kept;
    });
    await this.parts.doorLog.note('invited', by, from, `${email}, ${given.role}`);
    return { link: made.link, expiresAt: made.expiresAt, isMailed: true };
  }

  /** Refused by `request.not-found`. */
  async withdraw(by: User, id: number, from: From): Promise<void> {
    const removed = await this.parts.store.aside(({ people }) => people.removeLinks({ id, purpose: 'invitation' }));
    if (removed === 0) throw Refusal.of('request.not-found');
    await this.parts.doorLog.note('invitation-withdrawn', by, from);
  }

  /** What an invitation is to; refused by `auth.link`. */
  async invitedTo(secret: string): Promise<InvitedTo> {
    const { store } = this.parts;
    const { email, name, role } = await this.linkOf(store.accounts, 'invitation', secret);
    return { site: (await store.structure()).site.name, email, name, role };
  }

  /**
   * Lets somebody in who was invited, once; of several who try at once, one succeeds. Refused by `auth.link` and
   * `people.taken`.
   */
  async accept(given: { secret: string; name: string; password: string }, from: From): Promise<SignedIn> {
    const { email, role } = await this.invitedTo(given.secret);
    const user = await this.parts.accounts.newUser({ ...given, email, role });
    const added = await this.parts.store.aside(async (unit) => {
      const link = await this.linkOf(unit.people, 'invitation', given.secret);
      if (await unit.people.byEmail(link.email)) throw Refusal.of('people.taken', { email: link.email });
      await unit.people.removeLinks({ id: link.id });
      return unit.people.add({ ...user, role: link.role });
    });
    // Whoever has the link of an invitation has the mails of its address, and what was sent in from there.
    await this.parts.store.submissions.collect(email, added.id);
    await this.parts.doorLog.note('invitation-taken', added, from, added.role);
    return this.parts.accounts.begin(added, from);
  }

  /** Gives somebody another role; refused by `people.last-owner`. */
  async setRole(by: User, id: number, role: Role, from: From): Promise<void> {
    const { email } = await this.changeOther(id, role === 'owner' ? null : 'people.last-owner', { role });
    await this.parts.doorLog.note('role-changed', by, from, `${email}, ${role}`);
  }

  /** Lets somebody in no more, or again; whoever is switched off is signed out everywhere. */
  async setOff(by: User, id: number, isOff: boolean, from: From): Promise<void> {
    const { email } = await this.changeOther(id, isOff ? 'people.last-owner' : null, { isOff });
    await this.parts.doorLog.note(isOff ? 'switched-off' : 'switched-on', by, from, email);
  }

  /** Somebody goes; what they have done stays in the log under their name. Refused by `people.last-owner`. */
  async leave(user: User, from: From): Promise<void> {
    await this.changeOther(user.id, 'people.last-owner', { isOff: true });
    await this.parts.doorLog.note('left', user, from);
  }

  /**
   * Takes away for good what tells who somebody was who is switched off; what they did stays in the log, under nobody's
   * name. Refused by `people.still-on` and `request.not-found`.
   */
  async erase(by: User, id: number, from: From): Promise<void> {
    await this.parts.store.aside(async ({ people }) => {
      const one = await people.one(id);
      if (!one || isErased(one)) throw Refusal.of('request.not-found');
      if (!one.isOff) throw Refusal.of('people.still-on', { name: one.name });
      await people.erase(one, NOBODYS_HASH);
    });
    await this.parts.doorLog.note('erased', by, from);
  }

  /**
   * Takes away for good who sent something in without an account: of all that came from the same e-mail address. What was sent stays.
   * Refused by `request.not-found` and `submission.account`.
   */
  async eraseSender(by: User, submissionId: number, from: From): Promise<void> {
    const { store, doorLog } = this.parts;
    const { email, name, userId } = (await store.submissions.one(submissionId))?.sender ?? {
      email: '',
      name: '',
      userId: null,
    };
    if (userId !== null) throw Refusal.of('submission.account', { name: name || email });
    if (email === '') throw Refusal.of('request.not-found');
    await store.aside(({ people }) => people.eraseSender(email));
    await doorLog.note('erased', by, from);
  }

  private changeOther(
    id: number,
    refusal: 'people.last-owner' | null,
    change: { role?: Role; isOff?: boolean },
  ): Promise<Account> {
    return this.parts.store.aside(async ({ people }) => {
      const all = await people.all();
      const one = all.find((other) => other.id === id && !isErased(other));
      if (!one) throw Refusal.of('request.not-found');
      const isNeeded = !all.some((other) => other.id !== id && other.role === 'owner' && !other.isOff);
      if (refusal && one.role === 'owner' && !one.isOff && isNeeded) throw Refusal.of(refusal);
      await people.change(id, change);
      if (change.isOff) await people.signOut(id);
      return one;
    });
  }

  /** A link with which somebody chooses another password, made by an owner. Refused by `request.not-found`. */
  async passwordLink(by: User, id: number, base: string, from: From): Promise<OneTimeLink> {
    const { link, expiresAt, email } = await this.parts.store.aside(async (unit) => {
      const account = await unit.people.one(id);
      if (!account || account.isOff) throw Refusal.of('request.not-found');
      return { ...(await this.addPasswordLink(unit, account, by.id, base)), email: account.email };
    });
    await this.parts.doorLog.note('password-link', by, from, email);
    return { link, expiresAt, isMailed: true };
  }

  /**
   * Sends a link to somebody who has forgotten their password; does nothing, without a word, for anybody else. It isn't
   * waited for, as the time would tell whether there is such an account. `base` is null where no address is known.
   */
  forgotten(email: string, base: string | null, from: From): void {
    const { tell } = this.parts;
    if (base === null) return tell(null, 'PLINDO_ADDRESS is not set, so no link for another password was sent.');
    this.sendForgotten(email, base, from).catch((error: unknown) => tell(error, 'No password link could be sent.'));
  }

  private async sendForgotten(given: string, base: string, from: From): Promise<void> {
    const email = given.trim().toLowerCase();
    const account = await this.parts.store.aside(async (unit) => {
      const found = await unit.people.byEmail(email);
      if (!found || found.isOff) return null;
      const lately = this.now() - AGAIN_AFTER_IN_MS;
      const links = await unit.people.links('password');
      if (links.some(({ userId, createdAt }) => userId === found.id && createdAt > lately)) return null;
      await this.addPasswordLink(unit, found, null, base);
      return found;
    });
    if (account) await this.parts.doorLog.note('password-link', account, from);
  }

  /** Gives somebody the password that they choose, once, and ends all their sessions. Refused by `auth.link`. */
  async newPassword(secret: string, password: string, from: From): Promise<void> {
    // Before hashing, which takes long.
    await this.linkOf(this.parts.store.accounts, 'password', secret);
    const passwordHash = await this.parts.passwords.chosen(password);
    const account = await this.parts.store.aside(async (unit) => {
      const { userId } = await this.linkOf(unit.people, 'password', secret);
      const found = await unit.people.one(userId ?? 0);
      if (!found || found.isOff) throw Refusal.of('auth.link');
      await unit.people.removeLinks({ purpose: 'password', userId: found.id });
      await unit.people.change(found.id, { passwordHash });
      await unit.people.signOut(found.id);
      await new Telling(unit).tellOfAccess(found, 'password');
      return found;
    });
    await this.parts.doorLog.note('password-changed', account, from, 'link');
  }

  private async addPasswordLink(unit: Unit, account: Account, byId: number | null, base: string): Promise<NewLink> {
    const { id: userId, email, name, role } = account;
    await unit.people.removeLinks({ purpose: 'password', userId });
    const link = { purpose: 'password', userId, email, name, role, byId } as const;
    const kept = await this.addLink(unit, link, `${base}/desk/new-password`);
    await new Telling(unit).tellPerson('password-link', `${kept.id}`, {}, { to: email, link: kept.link });
    return kept;
  }

  private async addLink(
    unit: Unit,
    link: Omit<OneTimeLinkRecord, 'id' | 'createdAt' | 'expiresAt'>,
    address: string,
  ): Promise<NewLink> {
    const secret = newSecret();
    const createdAt = this.now();
    const expiresAt = createdAt + LINK_IN_MS;
    const { id } = await unit.people.addLink(digest(secret), { ...link, createdAt, expiresAt });
    // Behind "#", which browsers send to no server, so that it is in no log.
    return { id, link: `${address}#${secret}`, expiresAt: new Date(expiresAt).toISOString() };
  }

  private async linkOf(
    people: AccountReading,
    purpose: OneTimeLinkRecord['purpose'],
    secret: string,
  ): Promise<OneTimeLinkRecord> {
    const link = await people.link(digest(secret));
    if (link?.purpose !== purpose || link.expiresAt <= this.now()) throw Refusal.of('auth.link');
    return link;
  }

  private now(): number {
    return this.parts.clock().getTime();
  }
}

interface NewLink {
  readonly id: number;
  readonly link: string;
  readonly expiresAt: string;
}

function personOf({ id, email, name, role, isOff, stepSecret, seenAt }: Account): AllPeople['people'][number] {
  const seen = seenAt === null ? null : new Date(seenAt).toISOString();
  return { id, email, name, role, isOff, hasSecondStep: stepSecret !== null, seenAt: seen };
}
