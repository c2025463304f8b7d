import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { BIGINT, INTEGER, STRING } = DataTypes;

/** Which Desks are open, and in which listing: kept in the store, as several nodes serve them. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('open_desks', {
    desk: { type: STRING(40), primaryKey: true },
    userId: { type: INTEGER, allowNull: false },
    listingId: { type: INTEGER, allowNull: true },
    seenAt: { type: BIGINT, allowNull: false },
  });
  await tables.addIndex('open_desks', ['listingId']);
}
