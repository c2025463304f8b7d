import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { INTEGER, BIGINT, STRING, TEXT, JSON: JSON_TYPE } = DataTypes;

/** The further built-in parts of listings, values kept aside, and files. */
export async function up(query: QueryInterface): Promise<void> {
  const text = { allowNull: false, defaultValue: '' };
  await query.addColumn('listings', 'body', { type: TEXT, ...text });
  await query.addColumn('listings', 'place', { type: JSON_TYPE, allowNull: true });
  await query.addColumn('listings', 'author', { type: STRING(200), ...text });
  await query.addColumn('listings', 'aside', { type: JSON_TYPE, allowNull: true });
  await query.createTable('files', {
    hash: { type: STRING(32), primaryKey: true },
    name: { type: STRING(300), allowNull: false },
    type: { type: STRING(120), allowNull: false },
    bytes: { type: INTEGER, allowNull: false },
    createdAt: { type: BIGINT, allowNull: false },
  });
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('files');
  for (const column of ['body', 'place', 'author', 'aside']) await query.removeColumn('listings', column);
}
