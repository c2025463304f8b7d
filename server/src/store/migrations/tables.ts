import type { ModelAttributes, ModelAttributeColumnOptions, QueryInterface, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Row } from '../rows.js';

/** The tables while a migration changes them: all that it does is one transaction, with the record that it ran. */
export class Tables {
  constructor(
    private readonly query: QueryInterface,
    private readonly transaction: Transaction,
  ) {}

  async create(table: string, columns: ModelAttributes): Promise<void> {
    await this.query.createTable(table, columns, { transaction: this.transaction });
  }

  async addColumn(table: string, name: string, column: ModelAttributeColumnOptions): Promise<void> {
    await this.query.addColumn(table, name, column, { transaction: this.transaction });
  }

  async addIndex(table: string, fields: string[], { unique = false, name }: IndexOptions = {}): Promise<void> {
    await this.query.addIndex(table, { fields, unique, ...(name && { name }), transaction: this.transaction });
  }

  async insert(table: string, rows: Row[]): Promise<void> {
    if (rows.length > 0) await this.query.bulkInsert(table, rows, { transaction: this.transaction });
  }

  async run(statement: string): Promise<void> {
    await this.query.sequelize.query(statement, { transaction: this.transaction });
  }

  rows(select: string): Promise<Row[]> {
    return this.query.sequelize.query<Row>(select, { transaction: this.transaction, type: QueryTypes.SELECT });
  }
}

interface IndexOptions {
  readonly unique?: boolean;
  readonly name?: string;
}
