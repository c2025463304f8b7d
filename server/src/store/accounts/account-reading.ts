import type { Role, User } from '@plindo/core/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../models.js';
import { numberOrNull, parsed, userOf } from '../records.js';
import type { Row } from '../rows.js';
import { rowOf, rowsOf } from '../rows.js';

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

/** Reads accounts and the links that make or open them: as they are, or as one transaction sees them. */
export class AccountReading {
  constructor(
    protected readonly models: Models,
    protected readonly transaction?: Transaction,
  ) {}

  async all(): Promise<Account[]> {
    const { transaction } = this;
    return (await rowsOf(this.models.users, { order: [['id', 'ASC']], transaction })).map(accountOf);
  }

  one(id: number): Promise<Account | null> {
    return this.account({ id });
  }

  byEmail(email: string): Promise<Account | null> {
    return this.account({ email });
  }

  private async account(where: { readonly id: number } | { readonly email: string }): Promise<Account | null> {
    const row = await rowOf(this.models.users, { where: { ...where }, transaction: this.transaction });
    return row && accountOf(row);
  }

  /** Whether somebody has signed in from a place before. */
  async hasSignedInFrom(userId: number, place: string): Promise<boolean> {
    const { transaction } = this;
    return (await this.models.signInPlaces.count({ where: { userId, place }, transaction })) > 0;
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
}

/** Somebody as a row of the table has them. */
function accountOf(row: Row): Account {
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

export function linkOf(row: Row): OneTimeLinkRecord {
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
