import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING } = DataTypes;

/** Which listings came as examples, each with a hash of what it came as. Those rows hang on nothing: what is undone or brought back is an example again. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('examples', {
    listingId: { type: INTEGER, allowNull: false, primaryKey: true },
    asItCame: { type: STRING(64), allowNull: false },
  });
}
