import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT } = DataTypes;

/** Backups that were made, and those that could not be. */
export async function up(tables: Tables): Promise<void> {
  const count = { type: BIGINT, allowNull: false, defaultValue: 0 };
  await tables.create('backups', {
    id: { type: INTEGER, primaryKey: true, autoIncrement: true },
    at: { type: BIGINT, allowNull: false },
    // Of its file in the folder of backups.
    name: { type: STRING(100), allowNull: false },
    bytes: count,
    rows: count,
    files: count,
    tookInMs: count,
    // How it was verified: "restored" or "read".
    verified: { type: STRING(20), allowNull: false },
    // Why it could not be made; '' for one that was.
    fault: { type: TEXT, allowNull: false },
  });
}
