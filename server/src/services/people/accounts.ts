import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Role, TokenSummary, User } from '@plindo/core/contract';
import { isEmail } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { NewUser, Store, TokenRecord } from '../../store/index.js';

export const SESSION_IN_MS = 14 * 24 * 3600 * 1000;
const LEAST_PASSWORD = 10;
/** When a token was last used is told to the minute. */
const TOKEN_USE_IN_MS = 60_000;
const TOKEN_MARK = 'plindo_';

export interface SignedIn {
  readonly user: User;
  /** The secret that goes into the cookie; only its hash is kept. */
  readonly secret: string;
  readonly csrf: string;
}

/** People and how they prove who they are. */
export class Accounts {
  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
  ) {}

  /** A new one-time secret for making the owner, good on every node; null when there is an owner already. */
  async setupSecret(): Promise<string | null> {
    if (await this.store.accounts.hasUsers()) return null;
    const secret = newSecret();
    await this.store.accounts.addSetupLink(digest(secret), this.clock().getTime());
    return secret;
  }

  async needsOwner(): Promise<boolean> {
    return !(await this.store.accounts.hasUsers());
  }

  /** Makes the owner and uses up the link; of several who try at once, one succeeds. */
  async makeOwner(given: { secret: string; email: string; name: string; password: string }): Promise<SignedIn> {
    const user = await this.newUser({ ...given, role: 'owner' });
    const owner = await this.store.accounts.makeFirst(digest(given.secret), user);
    if (!owner) throw Refusal.of('auth.setup-link');
    return this.begin(owner);
  }

  async addUser(given: { email: string; name: string; password: string; role: Role }): Promise<User> {
    return this.store.accounts.addUser(await this.newUser(given));
  }

  private async newUser(given: { email: string; name: string; password: string; role: Role }): Promise<NewUser> {
    const email = given.email.trim().toLowerCase();
    if (!isEmail(email)) throw Refusal.of('value.not-an-email', { label: 'E-mail', found: email }, 'email');
    if (given.password.length < LEAST_PASSWORD) throw Refusal.of('auth.password', {}, 'password');
    const createdAt = this.clock().getTime();
    return { email, name: given.name.trim(), role: given.role, passwordHash: await hash(given.password), createdAt };
  }

  /** Signs in with a new session; an unknown address takes as long as a wrong password. */
  async signIn(email: string, password: string): Promise<SignedIn> {
    const found = await this.store.accounts.userByEmail(email.trim().toLowerCase());
    const isRight = await verify(found?.passwordHash ?? (await hash('nobody')), password).catch(() => false);
    if (!found || !isRight) throw Refusal.of('auth.refused');
    return this.begin(found.user);
  }

  async signOut(secret: string): Promise<void> {
    await this.store.accounts.endSession(digest(secret));
  }

  async signOutEverywhere(user: User): Promise<void> {
    await this.store.accounts.endSessionsOf(user.id);
  }

  /** Who a session cookie stands for. */
  async userOfSession(secret: string): Promise<{ user: User; csrf: string } | null> {
    const found = await this.store.accounts.sessionOwner(digest(secret));
    return found && found.expiresAt > this.clock().getTime() ? found : null;
  }

  /** Who a bearer token stands for. */
  async userOfToken(token: string): Promise<User | null> {
    const found = await this.store.accounts.tokenOwner(digest(token));
    if (!found) return null;
    const now = this.clock().getTime();
    // A program that sends one request after the other would otherwise write as often as it asks.
    if (now - (found.lastUsedAt ?? 0) >= TOKEN_USE_IN_MS) await this.store.accounts.touchToken(found.id, now);
    return found.user;
  }

  async tokens(user: User): Promise<TokenSummary[]> {
    return (await this.store.accounts.tokensOf(user.id)).map(summaryOf);
  }

  /** A new access token; this is the only time its secret is told. */
  async addToken(user: User, name: string): Promise<TokenSummary & { secret: string }> {
    const secret = TOKEN_MARK + newSecret();
    const createdAt = this.clock().getTime();
    const made = await this.store.accounts.addToken({ userId: user.id, name, tokenHash: digest(secret), createdAt });
    return { ...summaryOf(made), secret };
  }

  async removeToken(user: User, id: number): Promise<void> {
    if (!(await this.store.accounts.removeToken(id, user.id))) throw Refusal.of('request.not-found');
  }

  private async begin(user: User): Promise<SignedIn> {
    const [secret, csrf] = [newSecret(), newSecret()];
    const createdAt = this.clock().getTime();
    const session = { userId: user.id, csrf, createdAt, expiresAt: createdAt + SESSION_IN_MS };
    await this.store.accounts.addSession(digest(secret), session);
    return { user, secret, csrf };
  }
}

function summaryOf(token: TokenRecord): TokenSummary {
  return {
    id: token.id,
    name: token.name,
    createdAt: new Date(token.createdAt).toISOString(),
    lastUsedAt: token.lastUsedAt === null ? null : new Date(token.lastUsedAt).toISOString(),
  };
}

function newSecret(): string {
  return randomBytes(32).toString('base64url');
}

/** Secrets are long and random, so a plain digest keeps them safe at rest. */
function digest(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}

/** Compares two secrets without telling by the time it takes how much of them agrees. */
export function isSame(a: string, b: string): boolean {
  const [one, other] = [Buffer.from(a), Buffer.from(b)];
  return one.length === other.length && timingSafeEqual(one, other);
}
