import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { JSON: JSON_TYPE } = DataTypes;

/** Designs that visitors do not see yet: of which design they are drafts, and when they are published. */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('designs', 'draft', { type: JSON_TYPE, allowNull: true });
}
