import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, JSON: JSON_TYPE } = DataTypes;

/** Since when a listing lies in the bin, whose history an entry of a connection belongs to, and views of the table. */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('listings', 'binnedAt', { type: BIGINT, allowNull: true });
  await tables.run(`UPDATE listings SET "binnedAt" = "changedAt" WHERE status = 'binned'`);
  for (const end of ['endA', 'endB']) {
    await tables.addColumn('change_entries', end, { type: INTEGER, allowNull: true });
    await tables.addIndex('change_entries', [end]);
  }
  await tables.create('table_views', {
    userId: { type: INTEGER, primaryKey: true, references: { model: 'users', key: 'id' }, onDelete: 'CASCADE' },
    kindId: { type: INTEGER, primaryKey: true },
    kept: { type: JSON_TYPE, allowNull: false },
  });
}
