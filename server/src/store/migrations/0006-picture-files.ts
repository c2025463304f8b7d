import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING } = DataTypes;

/** The numbers by which the change log names pictures, the files that they were made from, and their sizes. */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('pictures', 'number', { type: INTEGER, allowNull: true });
  await tables.addColumn('pictures', 'source', { type: STRING(32), allowNull: false, defaultValue: '' });
  await tables.addColumn('pictures', 'bytes', { type: INTEGER, allowNull: false, defaultValue: 0 });
  const earlier = '(SELECT COUNT(*) FROM pictures AS other WHERE other.hash <= pictures.hash)';
  // The hash of a picture was that of the file that was sent.
  await tables.run(`UPDATE pictures SET source = hash, number = ${earlier}`);
  await tables.addIndex('pictures', ['source']);
  await tables.addIndex('pictures', ['number'], { unique: true });
}
