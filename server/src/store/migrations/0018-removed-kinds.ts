import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { BOOLEAN } = DataTypes;

/** A kind that was deleted keeps its listings where they lie, unseen, so that a million of them go and come back at once. */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('kinds', 'removed', { type: BOOLEAN, allowNull: false, defaultValue: false });
}
