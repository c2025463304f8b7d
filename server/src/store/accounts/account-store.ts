import type { Role, User } from '@plindo/core/contract';
import { Op, QueryTypes } from 'sequelize';
import type { Models } from '../models.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';
import type { Writing } from '../media/picture-store.js';
import { numberOrNull, userOf } from '../records.js';

export interface SessionRecord {
  readonly userId: number;
  readonly csrf: string;
  readonly expiresAt: number;
}

export interface TokenRecord {
  readonly id: number;
  readonly userId: number;
  readonly name: string;
  readonly createdAt: number;
  readonly lastUsedAt: number | null;
}

/** Somebody who is to be added. */
export interface NewUser {
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string;
  readonly createdAt: number;
}

/** People, their sessions and their access tokens. Secrets come here as hashes only. */
export class AccountStore {
  constructor(
    private readonly models: Models,
    private readonly writing: Writing,
  ) {}

  async hasUsers(): Promise<boolean> {
    return (await this.models.users.count()) > 0;
  }

  async users(): Promise<User[]> {
    return (await rowsOf(this.models.users, {})).map(userOf);
  }

  async userByEmail(email: string): Promise<{ user: User; passwordHash: string } | null> {
    const row = await rowOf(this.models.users, { where: { email } });
    return row && { user: userOf(row), passwordHash: String(row['passwordHash']) };
  }

  async addUser(given: NewUser): Promise<User> {
    const made = await this.models.users.create({ ...given });
    return userOf(made.get({ plain: true }) as Row);
  }

  /** Keeps the hash of a secret with which somebody may make the first owner. */
  async addSetupLink(hash: string, createdAt: number): Promise<void> {
    await this.models.setupLinks.create({ hash, createdAt });
  }

  /** Uses up all such secrets and adds the owner; null when this one isn't valid, or there is an owner already. */
  makeFirst(hash: string, given: NewUser): Promise<User | null> {
    return this.writing(async (transaction) => {
      if ((await this.models.users.count({ transaction })) > 0) return null;
      const isValid = (await this.models.setupLinks.destroy({ where: { hash }, transaction })) === 1;
      if (!isValid) return null;
      await this.models.setupLinks.destroy({ where: {}, transaction });
      const made = await this.models.users.create({ ...given }, { transaction });
      return userOf(made.get({ plain: true }) as Row);
    });
  }

  async addSession(tokenHash: string, session: SessionRecord & { createdAt: number }): Promise<void> {
    await this.models.sessions.destroy({ where: { expiresAt: { [Op.lt]: session.createdAt } } });
    await this.models.sessions.create({ tokenHash, ...session });
  }

  /** A session with whose it is. */
  async sessionOwner(tokenHash: string): Promise<(Omit<SessionRecord, 'userId'> & { user: User }) | null> {
    const row = await this.row(
      'SELECT users.*, sessions."csrf", sessions."expiresAt" FROM sessions ' +
        'JOIN users ON users."id" = sessions."userId" WHERE sessions."tokenHash" = :tokenHash',
      tokenHash,
    );
    return row && { csrf: String(row['csrf']), expiresAt: Number(row['expiresAt']), user: userOf(row) };
  }

  async endSession(tokenHash: string): Promise<void> {
    await this.models.sessions.destroy({ where: { tokenHash } });
  }

  async endSessionsOf(userId: number): Promise<void> {
    await this.models.sessions.destroy({ where: { userId } });
  }

  async addToken(given: { userId: number; name: string; tokenHash: string; createdAt: number }): Promise<TokenRecord> {
    return tokenOf((await this.models.tokens.create({ ...given })).get({ plain: true }) as Row);
  }

  async tokensOf(userId: number): Promise<TokenRecord[]> {
    const rows = await rowsOf(this.models.tokens, { where: { userId }, order: [['id', 'DESC']] });
    return rows.map(tokenOf);
  }

  /** A token with whose it is. */
  async tokenOwner(tokenHash: string): Promise<(Pick<TokenRecord, 'id' | 'lastUsedAt'> & { user: User }) | null> {
    const row = await this.row(
      'SELECT users.*, tokens."id" AS "tokenId", tokens."lastUsedAt" FROM tokens ' +
        'JOIN users ON users."id" = tokens."userId" WHERE tokens."tokenHash" = :tokenHash',
      tokenHash,
    );
    return row && { id: Number(row['tokenId']), lastUsedAt: numberOrNull(row['lastUsedAt']), user: userOf(row) };
  }

  /** Puts the hash of another secret of the calendar's feed in the place of the one before; null closes the feed. */
  async setCalendarSecret(hash: string | null, createdAt: number): Promise<void> {
    await this.writing(async (transaction) => {
      await this.models.calendarFeeds.destroy({ where: {}, transaction });
      if (hash !== null) await this.models.calendarFeeds.create({ hash, createdAt }, { transaction });
    });
  }

  async calendarSecret(): Promise<string | null> {
    return (await rowOf<{ hash: string }>(this.models.calendarFeeds, {}))?.hash ?? null;
  }

  /** The one row that belongs to a secret; asked for with every request, so both tables are read at once. */
  private async row(select: string, tokenHash: string): Promise<Row | null> {
    const { sequelize } = this.models.users;
    const found = await sequelize?.query<Row>(select, { replacements: { tokenHash }, type: QueryTypes.SELECT });
    return found?.[0] ?? null;
  }

  async touchToken(id: number, lastUsedAt: number): Promise<void> {
    await this.models.tokens.update({ lastUsedAt }, { where: { id } });
  }

  /** Whether there was such a token of that user. */
  async removeToken(id: number, userId: number): Promise<boolean> {
    return (await this.models.tokens.destroy({ where: { id, userId } })) > 0;
  }
}

function tokenOf(row: Row): TokenRecord {
  return {
    id: Number(row['id']),
    userId: Number(row['userId']),
    name: String(row['name']),
    createdAt: Number(row['createdAt']),
    lastUsedAt: numberOrNull(row['lastUsedAt']),
  };
}
