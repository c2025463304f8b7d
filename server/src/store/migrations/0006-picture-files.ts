import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { INTEGER, STRING } = DataTypes;

/** The numbers by which the change log names pictures, the files that they were made from, and their sizes. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('pictures', 'number', { type: INTEGER, allowNull: true });
  await query.addColumn('pictures', 'source', { type: STRING(32), allowNull: false, defaultValue: '' });
  await query.addColumn('pictures', 'bytes', { type: INTEGER, allowNull: false, defaultValue: 0 });
  const earlier = '(SELECT COUNT(*) FROM pictures AS other WHERE other.hash <= pictures.hash)';
  // The hash of a picture was that of the file that was sent.
  await query.sequelize.query(`UPDATE pictures SET source = hash, number = ${earlier}`);
  await query.addIndex('pictures', ['source']);
  await query.addIndex('pictures', ['number'], { unique: true });
}

export async function down(query: QueryInterface): Promise<void> {
  for (const column of ['number', 'source', 'bytes']) await query.removeColumn('pictures', column);
}
