import type { Role, User } from '@plindo/core/contract';
import { Op } from 'sequelize';
import { userOf } from '../records.js';
import type { Row } from '../rows.js';
import type { Account, OneTimeLinkRecord } from './account-reading.js';
import { AccountReading, linkOf } from './account-reading.js';
import { erase, eraseSenderAt } from './erasing.js';

/** Somebody who is to be added. */
export interface NewUser {
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string;
  readonly createdAt: number;
}

/** What can be changed of somebody. */
export type AccountChange = Partial<Omit<Account, 'id'>>;

/** Accounts and the links that make or open them, inside one writing transaction. */
export class AccountRows extends AccountReading {
  async add(given: NewUser): Promise<User> {
    const made = await this.models.users.create({ ...given, spareCodes: [] }, { transaction: this.transaction });
    return userOf(made.get({ plain: true }) as Row);
  }

  async change(id: number, change: AccountChange): Promise<void> {
    await this.models.users.update(change, { where: { id }, transaction: this.transaction });
  }

  /** Ends all sessions of somebody but the one whose hash is given, and withdraws their tokens. */
  async signOut(
    userId: number,
    but: { readonly tokenHash?: string; readonly keepsTokens?: boolean } = {},
  ): Promise<void> {
    const { transaction } = this;
    const others = but.tokenHash === undefined ? {} : { tokenHash: { [Op.ne]: but.tokenHash } };
    await this.models.sessions.destroy({ where: { userId, ...others }, transaction });
    if (!but.keepsTokens) await this.models.tokens.destroy({ where: { userId }, transaction });
  }

  /** Takes away what tells who somebody was; they can't come back. `passwordHash` is one that no password has. */
  erase(account: Account, passwordHash: string): Promise<void> {
    return erase(account, passwordHash, this.models, this.transaction);
  }

  /** Takes away who has sent something in without an account. */
  eraseSender(email: string): Promise<void> {
    return eraseSenderAt(email, this.models, this.transaction);
  }

  async addLink(hash: string, link: Omit<OneTimeLinkRecord, 'id'>): Promise<OneTimeLinkRecord> {
    const made = await this.models.oneTimeLinks.create({ hash, ...link }, { transaction: this.transaction });
    return linkOf(made.get({ plain: true }) as Row);
  }

  /** Takes links away; answers how many there were. */
  removeLinks(which: Partial<Pick<OneTimeLinkRecord, 'id' | 'purpose' | 'userId' | 'email'>>): Promise<number> {
    return this.models.oneTimeLinks.destroy({ where: { ...which }, transaction: this.transaction });
  }
}
