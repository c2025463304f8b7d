import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** Saved selections; as with kinds, everything but the address lies in their definition. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('selections', {
    id: { type: INTEGER, primaryKey: true, autoIncrement: true },
    slug: { type: STRING, allowNull: false, unique: true },
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('selections');
}
