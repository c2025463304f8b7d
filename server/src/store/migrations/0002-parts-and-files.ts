import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT, JSON: JSON_TYPE } = DataTypes;

/** The further built-in parts of listings, values kept aside, and files. */
export async function up(tables: Tables): Promise<void> {
  const text = { allowNull: false, defaultValue: '' };
  await tables.addColumn('listings', 'body', { type: TEXT, ...text });
  await tables.addColumn('listings', 'place', { type: JSON_TYPE, allowNull: true });
  await tables.addColumn('listings', 'author', { type: STRING(200), ...text });
  await tables.addColumn('listings', 'aside', { type: JSON_TYPE, allowNull: true });
  await tables.create('files', {
    hash: { type: STRING(32), primaryKey: true },
    name: { type: STRING(300), allowNull: false },
    type: { type: STRING(120), allowNull: false },
    bytes: { type: INTEGER, allowNull: false },
    createdAt: { type: BIGINT, allowNull: false },
  });
}
