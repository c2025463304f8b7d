import type { TokenSummary, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { Store, TokenRecord, Whose } from '../../store/index.js';
import type { DoorLog, From } from './door-log.js';
import { digest, newSecret } from './secrets.js';

const MOST_TOKENS = 20;
/** When a token was last used is told to the minute. */
const USE_IN_MS = 60_000;
const MARK = 'plindo_';
const DAY_IN_MS = 24 * 3600 * 1000;

/** What a new token may do: all that its owner may, or only read; and for how many days, null for no end. */
export interface NewTokenInput {
  readonly name: string;
  readonly readOnly: boolean;
  readonly days: number | null;
}

/** Access tokens, with which scripts come in the place of people. */
export class Tokens {
  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    private readonly doorLog: DoorLog,
  ) {}

  /** Who a bearer token stands for, and whether it may only read; null for one that has ended. */
  async userOf(token: string): Promise<(Whose & { readonly readOnly: boolean }) | null> {
    const found = await this.store.sessions.tokenOwner(digest(token));
    const now = this.clock().getTime();
    if (!found || (found.expiresAt !== null && found.expiresAt <= now)) return null;
    // A program that sends one request after the other would otherwise write as often as it asks.
    if (now - (found.lastUsedAt ?? 0) >= USE_IN_MS) await this.store.sessions.touchToken(found.id, now);
    return found;
  }

  async of(user: User): Promise<TokenSummary[]> {
    return (await this.store.sessions.tokensOf(user.id)).map(summaryOf);
  }

  /** A new access token; this is the only time its secret is told. Refused by `token.too-many`. */
  async add(
    user: User,
    { name, readOnly, days }: NewTokenInput,
    from: From,
  ): Promise<TokenSummary & { secret: string }> {
    if ((await this.store.sessions.tokensOf(user.id)).length >= MOST_TOKENS) {
      throw Refusal.of('token.too-many', { most: MOST_TOKENS });
    }
    const secret = MARK + newSecret();
    const createdAt = this.clock().getTime();
    const expiresAt = days === null ? null : createdAt + days * DAY_IN_MS;
    const kept = { userId: user.id, name, readOnly, createdAt, expiresAt, tokenHash: digest(secret) };
    const made = await this.store.sessions.addToken(kept);
    await this.doorLog.note('token-made', user, from, name);
    return { ...summaryOf(made), secret };
  }

  /** Refused by `request.not-found`. */
  async remove(user: User, id: number, from: From): Promise<void> {
    if (!(await this.store.sessions.removeToken(id, user.id))) throw Refusal.of('request.not-found');
    await this.doorLog.note('token-withdrawn', user, from);
  }
}

function summaryOf({ id, name, createdAt, lastUsedAt, readOnly, expiresAt }: TokenRecord): TokenSummary {
  const iso = (moment: number | null): string | null => (moment === null ? null : new Date(moment).toISOString());
  return {
    ...{ id, name, readOnly, createdAt: new Date(createdAt).toISOString() },
    ...{ lastUsedAt: iso(lastUsedAt), expiresAt: iso(expiresAt) },
  };
}
