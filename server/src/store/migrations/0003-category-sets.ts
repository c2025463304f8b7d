import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** Category sets; a set is one record, as its tree is changed and undone as a whole. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('category_sets', {
    id: { type: INTEGER, primaryKey: true, autoIncrement: true },
    slug: { type: STRING(80), allowNull: false, unique: true },
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
}
