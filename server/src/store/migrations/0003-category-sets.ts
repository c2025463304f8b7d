import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** Category sets; a set is one record, as its tree is changed and undone as a whole. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('category_sets', {
    id: { type: INTEGER, primaryKey: true, autoIncrement: true },
    slug: { type: STRING(80), allowNull: false, unique: true },
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('category_sets');
}
