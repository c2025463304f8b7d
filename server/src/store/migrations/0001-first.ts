import type { DataType, ModelAttributeColumnOptions } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT, BOOLEAN, DOUBLE, JSON: JSON_TYPE } = DataTypes;

const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
const moment = { type: BIGINT, allowNull: false };
const required = (type: DataType): ModelAttributeColumnOptions => ({
  type,
  allowNull: false,
});
const references = (model: string, onDelete: 'CASCADE' | 'SET NULL' | 'RESTRICT'): ModelAttributeColumnOptions => ({
  type: INTEGER,
  allowNull: onDelete === 'SET NULL',
  references: { model, key: 'id' },
  onDelete,
});

/** All tables of the first version. Moments are milliseconds since 1970. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('site', { id, settings: required(JSON_TYPE) });
  await tables.create('users', {
    id,
    email: { type: STRING(254), allowNull: false, unique: true },
    name: required(STRING(120)),
    passwordHash: required(STRING(200)),
    role: required(STRING(20)),
    createdAt: moment,
  });
  await tables.create('sessions', {
    tokenHash: { type: STRING(64), primaryKey: true },
    userId: references('users', 'CASCADE'),
    csrf: required(STRING(64)),
    createdAt: moment,
    expiresAt: moment,
  });
  await tables.create('tokens', {
    id,
    userId: references('users', 'CASCADE'),
    name: required(STRING(120)),
    tokenHash: { type: STRING(64), allowNull: false, unique: true },
    createdAt: moment,
    lastUsedAt: { type: BIGINT, allowNull: true },
  });
  await tables.create('kinds', {
    id,
    slug: { type: STRING(80), allowNull: false, unique: true },
    definition: required(JSON_TYPE),
    version: required(INTEGER),
  });
  await tables.create('pictures', {
    hash: { type: STRING(32), primaryKey: true },
    width: required(INTEGER),
    height: required(INTEGER),
    fileName: required(STRING(300)),
    createdAt: moment,
  });
  await tables.create('listings', {
    id,
    kindId: references('kinds', 'CASCADE'),
    slug: required(STRING(100)),
    title: required(STRING(200)),
    summary: required(TEXT),
    picture: { type: JSON_TYPE, allowNull: true },
    values: required(JSON_TYPE),
    status: required(STRING(20)),
    featured: { type: BOOLEAN, allowNull: false },
    handOrder: { type: DOUBLE, allowNull: true },
    version: required(INTEGER),
    createdAt: moment,
    changedAt: moment,
  });
  await tables.addIndex('listings', ['kindId', 'slug'], { unique: true });
  await tables.create('changes', {
    id,
    at: moment,
    userId: references('users', 'SET NULL'),
    sentence: required(TEXT),
    // An open change is still being written; one that a stop of the server left open is taken back at the next start.
    state: required(STRING(10)),
    undoneBy: { type: INTEGER, allowNull: true },
  });
  await tables.create('change_entries', {
    id,
    changeId: references('changes', 'CASCADE'),
    entity: required(STRING(20)),
    entityId: required(INTEGER),
    before: { type: JSON_TYPE, allowNull: true },
    after: { type: JSON_TYPE, allowNull: true },
  });
  await tables.addIndex('change_entries', ['changeId']);
  await tables.addIndex('change_entries', ['entity', 'entityId']);
}
