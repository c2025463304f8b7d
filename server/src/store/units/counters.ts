import type { Sequelize, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** The latest number that a reference field has given out. It outlives listings and fields, so none comes twice. */
export function referenceCounter(kindId: number, fieldKey: string): string {
  return `reference ${kindId} ${fieldKey}`;
}

/** Numbers that only grow, one row each. */
export class Counters {
  constructor(
    private readonly sequelize: Sequelize,
    private readonly transaction: Transaction,
  ) {}

  /** 0 for one that was never raised. */
  async read<Name extends string>(names: readonly Name[]): Promise<Record<Name, number>> {
    const rows = await this.sequelize.query<{ name: string; value: number }>(
      'SELECT "name", "value" FROM counters WHERE "name" IN (:names)',
      { replacements: { names }, transaction: this.transaction, type: QueryTypes.SELECT },
    );
    const known = new Map(rows.map(({ name, value }) => [name, Number(value)]));
    return Object.fromEntries(names.map((name) => [name, known.get(name) ?? 0])) as Record<Name, number>;
  }

  /** Raises a counter to a value; one that is higher already stays. */
  async raise(name: string, value: number): Promise<void> {
    await this.sequelize.query(
      'INSERT INTO counters ("name", "value") VALUES (:name, :value) ' +
        'ON CONFLICT ("name") DO UPDATE SET "value" = excluded."value" WHERE counters."value" < excluded."value"',
      { replacements: { name, value }, transaction: this.transaction },
    );
  }
}
