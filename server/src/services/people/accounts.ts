import type { Role, SessionSummary, User } from '@plindo/core/contract';
import { isEmail } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { NewUser, Store, Whose } from '../../store/index.js';
import type { DoorLog, From } from './door-log.js';
import type { Passwords } from './passwords.js';
import { digest, newSecret } from './secrets.js';
import type { SecondStep } from './second-step.js';
import type { SignInPlaces } from './sign-in-places.js';
import type { Throttles } from './throttles.js';

const HOUR_IN_MS = 3600 * 1000;
export const SESSION_IN_MS = 14 * 24 * HOUR_IN_MS;
/** After so long without a request a session ends, unless the settings of the site say otherwise. */
export const IDLE_HOURS = 12;
/** When a session was last used is noted to the minute. */
const USE_IN_MS = 60_000;
const SETUP_LINK_IN_MS = 365 * 24 * HOUR_IN_MS;
/** Wrong passwords for one account from places that it never signed in from; its owner's own places count apart. */
const TRIES_AN_ACCOUNT = 20;
const TRIES_IN_MS = 15 * 60_000;

/** No account has this number. */
const NOBODY = 0;

export interface SignedIn extends Whose {
  /** The secret that goes into the cookie; only its hash is kept. */
  readonly secret: string;
  readonly csrf: string;
}

/** What somebody gives to sign in; `code` of their second step, '' for none. */
export interface SignInInput {
  readonly email: string;
  readonly password: string;
  readonly code: string;
}

/** What accounts are put together of. */
export interface AccountParts {
  readonly store: Store;
  readonly clock: () => Date;
  readonly passwords: Passwords;
  readonly secondStep: SecondStep;
  readonly doorLog: DoorLog;
  readonly places: SignInPlaces;
  readonly throttles: Throttles;
  /** After how many hours without a request a session ends. */
  readonly idleHours: () => number;
}

/** How people prove who they are. */
export class Accounts {
  constructor(private readonly parts: AccountParts) {}

  /** A new one-time secret for making the owner, good on every node; null when there is an owner already. */
  async setupSecret(): Promise<string | null> {
    if (await this.parts.store.accounts.hasUsers()) return null;
    const secret = newSecret();
    const createdAt = this.now();
    await this.parts.store.aside(({ people }) =>
      people.addLink(digest(secret), {
        ...{ purpose: 'owner', userId: null, email: '', name: '', role: 'owner', byId: null },
        ...{ createdAt, expiresAt: createdAt + SETUP_LINK_IN_MS },
      }),
    );
    return secret;
  }

  async needsOwner(): Promise<boolean> {
    return !(await this.parts.store.accounts.hasUsers());
  }

  /** Makes the owner and uses up the link; of several who try at once, one succeeds. Refused by `auth.setup-link`. */
  async makeOwner(
    given: { secret: string; email: string; name: string; password: string },
    from: From,
  ): Promise<SignedIn> {
    const user = await this.newUser({ ...given, role: 'owner' });
    const owner = await this.parts.store.aside(async ({ people }) => {
      const link = (await people.all()).length === 0 ? await people.link(digest(given.secret)) : null;
      if (link?.purpose !== 'owner') throw Refusal.of('auth.setup-link');
      await people.removeLinks({ purpose: 'owner' });
      return people.add(user);
    });
    await this.parts.doorLog.note('owner-made', owner, from);
    return this.begin(owner, from);
  }

  /** Adds somebody, as it is done by programs; people are invited. */
  async addUser(given: { email: string; name: string; password: string; role: Role }): Promise<User> {
    const user = await this.newUser(given);
    return this.parts.store.aside(({ people }) => people.add(user));
  }

  /** Somebody with a checked address and the hash of their password. */
  async newUser(given: { email: string; name: string; password: string; role: Role }): Promise<NewUser> {
    const email = checkedEmail(given.email);
    const passwordHash = await this.parts.passwords.chosen(given.password);
    return { email, name: given.name.trim(), role: given.role, passwordHash, createdAt: this.now() };
  }

  /**
   * Signs in with a new session. Refused by `auth.refused`, after the same time whether the address is known or not; by
   * `auth.second-step` where a code is wanted too, by `auth.code` where that is wrong; by `request.too-many` after too
   * many wrong ones.
   */
  async signIn(given: SignInInput, from: From): Promise<SignedIn> {
    const { store, passwords, secondStep, doorLog, places, throttles } = this.parts;
    const email = given.email.trim().toLowerCase();
    const found = await store.accounts.byEmail(email);
    const tries = throttles.triesOf('account', TRIES_IN_MS);
    // Asked for an unknown account too, so that both take as long.
    const isKnownPlace = await places.isKnown(found?.id ?? NOBODY, from);
    const key = digest(`${email} ${isKnownPlace ? places.placeOf(from) : ''}`);
    const { hits } = await tries.count(key);
    if (hits > TRIES_AN_ACCOUNT) {
      await doorLog.note('locked', found ?? email, from);
      throw Refusal.of('request.too-many', { wait: 'fifteen minutes' });
    }
    const isRight = await passwords.isRight(found?.passwordHash ?? null, given.password);
    if (!found || !isRight || found.isOff) {
      await doorLog.note('refused', found ?? email, from);
      throw Refusal.of('auth.refused');
    }
    if (found.stepSecret !== null && given.code === '') {
      await tries.discount(key);
      throw Refusal.of('auth.second-step', {}, 'code');
    }
    if (found.stepSecret !== null) await secondStep.take(found, given.code, from);
    await tries.forget(key);
    await doorLog.note('signed-in', found, from);
    await places.note(found, from);
    return this.begin(found, from, found.stepSecret !== null);
  }

  async signOut(secret: string): Promise<void> {
    await this.parts.store.sessions.end(digest(secret));
  }

  /** Ends all sessions of somebody and withdraws their access tokens. */
  async signOutEverywhere(user: User, from: From): Promise<void> {
    await this.parts.store.aside(({ people }) => people.signOut(user.id));
    await this.parts.doorLog.note('signed-out-everywhere', user, from);
  }

  /** Who a session cookie stands for; null for one that has ended. */
  async userOfSession(secret: string): Promise<(Whose & { readonly csrf: string }) | null> {
    const { sessions, accounts } = this.parts.store;
    const found = await sessions.owner(digest(secret));
    const now = this.now();
    const idleInMs = this.parts.idleHours() * HOUR_IN_MS;
    if (!found || found.expiresAt <= now || found.usedAt + idleInMs <= now) return null;
    if (now - found.usedAt >= USE_IN_MS) {
      await sessions.touch(digest(secret), now);
      await accounts.noteSeen(found.user.id, now);
    }
    return found;
  }

  /** Where somebody is signed in; `secret` is the session that asks. */
  async sessionsOf(user: User, secret: string): Promise<SessionSummary[]> {
    const own = digest(secret);
    const now = this.now();
    const all = (await this.parts.store.sessions.of(user.id)).filter(({ expiresAt }) => expiresAt > now);
    return all.map(({ tokenHash, browser, address, createdAt, usedAt }) => ({
      ...{ id: idOf(tokenHash), browser, address, isThis: tokenHash === own },
      ...{ createdAt: new Date(createdAt).toISOString(), usedAt: new Date(usedAt).toISOString() },
    }));
  }

  /** Ends one session of somebody, by what names it; refused by `request.not-found`. */
  async endSession(user: User, id: string): Promise<void> {
    const { sessions } = this.parts.store;
    const found = (await sessions.of(user.id)).find(({ tokenHash }) => idOf(tokenHash) === id);
    if (!found) throw Refusal.of('request.not-found');
    await sessions.end(found.tokenHash);
  }

  /** A new session of somebody who has proved who they are. */
  async begin(user: User, { address, browser }: From, hasSecondStep = false): Promise<SignedIn> {
    const [secret, csrf] = [newSecret(), newSecret()];
    const createdAt = this.now();
    const session = { userId: user.id, csrf, createdAt, usedAt: createdAt, expiresAt: createdAt + SESSION_IN_MS };
    const where = { browser: browser.slice(0, 300), address: address.slice(0, 60) };
    await this.parts.store.sessions.add(digest(secret), { ...session, ...where });
    await this.parts.store.accounts.noteSeen(user.id, createdAt);
    const { id, email, name, role } = user;
    return { user: { id, email, name, role }, hasSecondStep, secret, csrf };
  }

  private now(): number {
    return this.parts.clock().getTime();
  }
}

/** An e-mail address as it is kept; refused by `value.not-an-email`. */
export function checkedEmail(text: string): string {
  const email = text.trim().toLowerCase();
  if (!isEmail(email)) throw Refusal.of('value.not-an-email', { label: 'E-mail', found: email }, 'email');
  return email;
}

/** Names a session among those of its user; too short to be guessed back to its hash, which opens nothing anyway. */
function idOf(tokenHash: string): string {
  return tokenHash.slice(0, 12);
}
