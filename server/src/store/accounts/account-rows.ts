import type { Role, User } from '@plindo/core/contract';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { Models } from '../models.js';
import { numberOrNull, parsed, userOf } from '../records.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

/** Somebody who is to be added. */
export interface NewUser {
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string;
  readonly createdAt: number;
}

/** Somebody with all that is kept of them. */
export interface Account extends User {
  readonly passwordHash: string;
  /** Whether they may not sign in any more. */
  readonly isOff: boolean;
  /** What the codes of their second step are made of, in base 32; null without one. */
  readonly stepSecret: string | null;
  /** The stretch of time of the code that was taken last. */
  readonly stepUsed: number;
  /** Hashes of the codes for whoever has lost their telephone. */
  readonly spareCodes: readonly string[];
  readonly seenAt: number | null;
}

/** What can be changed of somebody. */
export type AccountChange = Partial<Omit<Account, 'id'>>;

/** A link that works once: what it lets somebody do, and whom. */
export interface OneTimeLinkRecord {
  readonly id: number;
  readonly purpose: 'owner' | 'invitation' | 'password';
  readonly userId: number | null;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  readonly byId: number | null;
  readonly createdAt: number;
  readonly expiresAt: number;
}

/** Accounts and the links that make or open them, inside one writing transaction. */
export class AccountRows {
  constructor(
    private readonly models: Models,
    private readonly transaction: Transaction,
  ) {}

  async all(): Promise<Account[]> {
    const { transaction } = this;
    return (await rowsOf(this.models.users, { order: [['id', 'ASC']], transaction })).map(accountOf);
  }

  async one(id: number): Promise<Account | null> {
    const row = await rowOf(this.models.users, { where: { id }, transaction: this.transaction });
    return row && accountOf(row);
  }

  async byEmail(email: string): Promise<Account | null> {
    const row = await rowOf(this.models.users, { where: { email }, transaction: this.transaction });
    return row && accountOf(row);
  }

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

  async addLink(hash: string, link: Omit<OneTimeLinkRecord, 'id'>): Promise<OneTimeLinkRecord> {
    const made = await this.models.oneTimeLinks.create({ hash, ...link }, { transaction: this.transaction });
    return linkOf(made.get({ plain: true }) as Row);
  }

  async links(purpose: OneTimeLinkRecord['purpose']): Promise<OneTimeLinkRecord[]> {
    const { transaction } = this;
    const rows = await rowsOf(this.models.oneTimeLinks, { where: { purpose }, order: [['id', 'ASC']], transaction });
    return rows.map(linkOf);
  }

  async link(hash: string): Promise<OneTimeLinkRecord | null> {
    const row = await rowOf(this.models.oneTimeLinks, { where: { hash }, transaction: this.transaction });
    return row && linkOf(row);
  }

  /** Takes links away; answers how many there were. */
  removeLinks(which: Partial<Pick<OneTimeLinkRecord, 'id' | 'purpose' | 'userId' | 'email'>>): Promise<number> {
    return this.models.oneTimeLinks.destroy({ where: { ...which }, transaction: this.transaction });
  }
}

/** Somebody as a row of the table has them. */
export function accountOf(row: Row): Account {
  return {
    ...userOf(row),
    passwordHash: String(row['passwordHash']),
    isOff: Boolean(row['isOff']),
    stepSecret: row['stepSecret'] === null ? null : String(row['stepSecret']),
    stepUsed: Number(row['stepUsed']),
    spareCodes: parsed<string[]>(row['spareCodes']),
    seenAt: numberOrNull(row['seenAt']),
  };
}

function linkOf(row: Row): OneTimeLinkRecord {
  return {
    id: Number(row['id']),
    purpose: row['purpose'] as OneTimeLinkRecord['purpose'],
    userId: numberOrNull(row['userId']),
    email: String(row['email']),
    name: String(row['name']),
    role: row['role'] as Role,
    byId: numberOrNull(row['byId']),
    createdAt: Number(row['createdAt']),
    expiresAt: Number(row['expiresAt']),
  };
}
