import type { Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Dialect } from '../dialect.js';
import type { Row } from '../rows.js';

/** As long as work rests at most that failed. */
export const LATEST_AGAIN_IN_MS = 600_000;

/** What is claimed: rows of a table for which a condition holds, in an order. */
export interface Claim {
  readonly table: 'due_work' | 'mails';
  /** SQL; values are named with a colon before them. */
  readonly where: string;
  readonly order: string;
  readonly values: Readonly<Record<string, string | number>>;
  readonly most: number;
  /** Whoever claims has so long; then another node may take it. */
  readonly leaseInMs: number;
}

/**
 * Claims rows for one node for the length of a lease; what another one has claimed is left to it, and what failed rests.
 * Leases and pauses that end later than any can are of a clock that was set back since: they count as over.
 */
export function claimRows(
  dialect: Dialect,
  { table, where, order, values, most, leaseInMs }: Claim,
  { node, nowInMs }: { readonly node: string; readonly nowInMs: number },
  transaction: Transaction,
): Promise<Row[]> {
  const free = `("leaseUntil" <= :now OR "leaseUntil" > :lease)`;
  const rested = `("notBefore" <= :now OR "notBefore" > :pause)`;
  const chosen =
    `SELECT "id" FROM ${table} WHERE ${where} AND ${free} AND ${rested} ` +
    `ORDER BY ${order} LIMIT :most ${dialect.skipLocked}`;
  const [lease, pause] = [nowInMs + leaseInMs, nowInMs + LATEST_AGAIN_IN_MS];
  return dialect.sequelize.query<Row>(
    `UPDATE ${table} SET "node" = :node, "leaseUntil" = :lease WHERE "id" IN (${chosen}) RETURNING *`,
    { replacements: { ...values, node, most, now: nowInMs, lease, pause }, transaction, type: QueryTypes.SELECT },
  );
}
