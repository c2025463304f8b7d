import type { QueryInterface } from 'sequelize';
import { DataTypes } from 'sequelize';

const { INTEGER, STRING } = DataTypes;

/** Which listings came as examples, each with a hash of what it came as. Those rows hang on nothing: what is undone or brought back is an example again. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('examples', {
    listingId: { type: INTEGER, allowNull: false, primaryKey: true },
    asItCame: { type: STRING(64), allowNull: false },
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('examples');
}
