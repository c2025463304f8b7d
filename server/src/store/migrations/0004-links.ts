import { DataTypes } from 'sequelize';
import type { ModelAttributeColumnOptions } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING, DOUBLE, JSON: JSON_TYPE } = DataTypes;

/** Links between kinds, and their connections: one row each, read from both ends. */
export async function up(tables: Tables): Promise<void> {
  const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
  const references = (model: string): ModelAttributeColumnOptions => ({
    type: INTEGER,
    allowNull: false,
    references: { model, key: 'id' },
    onDelete: 'CASCADE',
  });
  await tables.create('links', {
    id,
    definition: { type: JSON_TYPE, allowNull: false },
    version: { type: INTEGER, allowNull: false },
  });
  await tables.create('connections', {
    id,
    linkId: references('links'),
    a: references('listings'),
    b: references('listings'),
    note: { type: STRING(300), allowNull: false },
    aOrder: { type: DOUBLE, allowNull: false },
    bOrder: { type: DOUBLE, allowNull: false },
  });
  await tables.addIndex('connections', ['linkId', 'a', 'b'], { unique: true });
  await tables.addIndex('connections', ['b']);
  await tables.addIndex('connections', ['a']);
}
