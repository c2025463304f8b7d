import { DataTypes } from 'sequelize';
import type { ModelAttributeColumnOptions, QueryInterface } from 'sequelize';

const { INTEGER, STRING, DOUBLE, JSON: JSON_TYPE } = DataTypes;

/** Links between kinds, and their connections: one row each, read from both ends. */
export async function up(query: QueryInterface): Promise<void> {
  const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
  const references = (model: string): ModelAttributeColumnOptions => ({
    type: INTEGER,
    allowNull: false,
    references: { model, key: 'id' },
    onDelete: 'CASCADE',
  });
  await query.createTable('links', {
    id,
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
  await query.createTable('connections', {
    id,
    linkId: references('links'),
    a: references('listings'),
    b: references('listings'),
    note: { type: STRING(300), allowNull: false },
    aOrder: { type: DOUBLE, allowNull: false },
    bOrder: { type: DOUBLE, allowNull: false },
  });
  await query.addIndex('connections', ['linkId', 'a', 'b'], { unique: true });
  await query.addIndex('connections', ['b']);
  await query.addIndex('connections', ['a']);
}

export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('connections');
  await query.dropTable('links');
}
