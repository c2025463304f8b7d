import type { User } from '@plindo/core/contract';
import { Op, QueryTypes } from 'sequelize';
import type { Models } from '../models.js';
import { numberOrNull, userOf } from '../records.js';
import type { Row } from '../rows.js';
import { rowsOf } from '../rows.js';

/** A session: whose, since when, from where; moments in milliseconds since 1970. */
export interface SessionRecord {
  readonly userId: number;
  readonly csrf: string;
  readonly createdAt: number;
  readonly expiresAt: number;
  readonly usedAt: number;
  readonly browser: string;
  readonly address: string;
}

export interface TokenRecord {
  readonly id: number;
  readonly userId: number;
  readonly name: string;
  readonly createdAt: number;
  readonly lastUsedAt: number | null;
  readonly readOnly: boolean;
  /** The end of it; null for none. */
  readonly expiresAt: number | null;
}

/** Whose a session or a token is. */
export interface Whose {
  readonly user: User;
  readonly hasSecondStep: boolean;
}

/** Sessions and access tokens. Their secrets come here as hashes only. */
export class SessionStore {
  constructor(private readonly models: Models) {}

  async add(tokenHash: string, session: SessionRecord): Promise<void> {
    await this.models.sessions.destroy({ where: { expiresAt: { [Op.lt]: session.createdAt } } });
    await this.models.sessions.create({ tokenHash, ...session });
  }

  /** A session with whose it is, unless they are switched off. */
  async owner(tokenHash: string): Promise<(Pick<SessionRecord, 'csrf' | 'expiresAt' | 'usedAt'> & Whose) | null> {
    const row = await this.row(
      'SELECT users.*, sessions."csrf", sessions."expiresAt", sessions."usedAt" FROM sessions ' +
        'JOIN users ON users."id" = sessions."userId" WHERE sessions."tokenHash" = :tokenHash',
      tokenHash,
    );
    if (!row || row['isOff']) return null;
    const [expiresAt, usedAt] = [Number(row['expiresAt']), Number(row['usedAt'])];
    return { csrf: String(row['csrf']), expiresAt, usedAt, ...whose(row) };
  }

  async touch(tokenHash: string, usedAt: number): Promise<void> {
    await this.models.sessions.update({ usedAt }, { where: { tokenHash } });
  }

  async end(tokenHash: string): Promise<void> {
    await this.models.sessions.destroy({ where: { tokenHash } });
  }

  /** The sessions of somebody with their hashes, the one that was used last first. */
  async of(userId: number): Promise<(SessionRecord & { tokenHash: string })[]> {
    const rows = await rowsOf(this.models.sessions, { where: { userId }, order: [['usedAt', 'DESC']] });
    return rows.map((row) => ({
      tokenHash: String(row['tokenHash']),
      userId,
      csrf: String(row['csrf']),
      createdAt: Number(row['createdAt']),
      expiresAt: Number(row['expiresAt']),
      usedAt: Number(row['usedAt']),
      browser: String(row['browser']),
      address: String(row['address']),
    }));
  }

  async addToken(given: Omit<TokenRecord, 'id' | 'lastUsedAt'> & { tokenHash: string }): Promise<TokenRecord> {
    return tokenOf((await this.models.tokens.create({ ...given })).get({ plain: true }) as Row);
  }

  async tokensOf(userId: number): Promise<TokenRecord[]> {
    const rows = await rowsOf(this.models.tokens, { where: { userId }, order: [['id', 'DESC']] });
    return rows.map(tokenOf);
  }

  /** A token with whose it is, unless they are switched off. */
  async tokenOwner(tokenHash: string): Promise<(TokenRecord & Whose) | null> {
    const row = await this.row(
      'SELECT users.*, tokens."id" AS "tokenId", tokens."name" AS "tokenName", tokens."createdAt" AS "tokenMade", ' +
        'tokens."lastUsedAt", tokens."readOnly", tokens."expiresAt" FROM tokens ' +
        'JOIN users ON users."id" = tokens."userId" WHERE tokens."tokenHash" = :tokenHash',
      tokenHash,
    );
    if (!row || row['isOff']) return null;
    const own = { id: row['tokenId'], userId: row['id'], name: row['tokenName'], createdAt: row['tokenMade'] };
    return { ...tokenOf({ ...row, ...own }), ...whose(row) };
  }

  async touchToken(id: number, lastUsedAt: number): Promise<void> {
    await this.models.tokens.update({ lastUsedAt }, { where: { id } });
  }

  /** Whether there was such a token of that user. */
  async removeToken(id: number, userId: number): Promise<boolean> {
    return (await this.models.tokens.destroy({ where: { id, userId } })) > 0;
  }

  /** The one row that belongs to a secret; asked for with every request, so both tables are read at once. */
  private async row(select: string, tokenHash: string): Promise<Row | null> {
    const { sequelize } = this.models.users;
    const found = await sequelize?.query<Row>(select, { replacements: { tokenHash }, type: QueryTypes.SELECT });
    return found?.[0] ?? null;
  }
}

function tokenOf(row: Row): TokenRecord {
  return {
    id: Number(row['id']),
    userId: Number(row['userId']),
    name: String(row['name']),
    createdAt: Number(row['createdAt']),
    lastUsedAt: numberOrNull(row['lastUsedAt']),
    readOnly: Boolean(row['readOnly']),
    expiresAt: numberOrNull(row['expiresAt']),
  };
}

function whose(row: Row): Whose {
  return { user: userOf(row), hasSecondStep: row['stepSecret'] !== null };
}
