import type { QueryInterface } from 'sequelize';
import { DataTypes } from 'sequelize';

const { INTEGER, STRING, TEXT } = DataTypes;

/**
 * The addresses of listings, which a kind can make of their values; and the addresses that anything had before, each
 * with who had it last. Those rows hang on nothing: what is undone or brought back goes on being found.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.sequelize.transaction(async (transaction) => {
    await query.addColumn('listings', 'address', { type: TEXT, allowNull: true }, { transaction });
    await query.sequelize.query('UPDATE listings SET address = slug', { transaction });
    await query.addIndex('listings', ['kindId', 'address'], { unique: true, transaction });
    await query.createTable(
      'former_addresses',
      {
        scope: { type: STRING, allowNull: false, primaryKey: true },
        address: { type: TEXT, allowNull: false, primaryKey: true },
        ownerId: { type: INTEGER, allowNull: false },
      },
      { transaction },
    );
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('former_addresses');
  await query.removeIndex('listings', ['kindId', 'address']);
  await query.removeColumn('listings', 'address');
}
