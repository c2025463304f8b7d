import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING, TEXT } = DataTypes;

/**
 * The addresses of listings, which a kind can make of their values; and the addresses that anything had before, each
 * with who had it last. Those rows hang on nothing: what is undone or brought back goes on being found.
 */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('listings', 'address', { type: TEXT, allowNull: true });
  await tables.run('UPDATE listings SET address = slug');
  await tables.addIndex('listings', ['kindId', 'address'], { unique: true });
  await tables.create('former_addresses', {
    scope: { type: STRING, allowNull: false, primaryKey: true },
    address: { type: TEXT, allowNull: false, primaryKey: true },
    ownerId: { type: INTEGER, allowNull: false },
  });
}
