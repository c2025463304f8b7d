import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { INTEGER, BIGINT, JSON: JSON_TYPE } = DataTypes;

/** Since when a listing lies in the bin, whose history an entry of a connection belongs to, and views of the table. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('listings', 'binnedAt', { type: BIGINT, allowNull: true });
  await query.sequelize.query(`UPDATE listings SET "binnedAt" = "changedAt" WHERE status = 'binned'`);
  for (const end of ['endA', 'endB']) {
    await query.addColumn('change_entries', end, { type: INTEGER, allowNull: true });
    await query.addIndex('change_entries', [end]);
  }
  await query.createTable('table_views', {
    userId: { type: INTEGER, primaryKey: true, references: { model: 'users', key: 'id' }, onDelete: 'CASCADE' },
    kindId: { type: INTEGER, primaryKey: true },
    kept: { type: JSON_TYPE, allowNull: false },
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('table_views');
  for (const end of ['endA', 'endB']) await query.removeColumn('change_entries', end);
  await query.removeColumn('listings', 'binnedAt');
}
