import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** Saved selections; as with kinds, everything but the address lies in their definition. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('selections', {
    id: { type: INTEGER, primaryKey: true, autoIncrement: true },
    slug: { type: STRING, allowNull: false, unique: true },
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
}
