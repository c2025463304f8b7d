import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT, BOOLEAN, JSON: JSON_TYPE } = DataTypes;

/**
 * People who are invited, switched off or have a second step; where sessions are, what tokens may, links that work once
 * (with those of the first owner), and what happened at the door.
 */
export async function up(tables: Tables): Promise<void> {
  const no = { type: BOOLEAN, allowNull: false, defaultValue: false };
  const moment = { type: BIGINT, allowNull: false };
  const word = (length: number) => ({ type: STRING(length), allowNull: false, defaultValue: '' });
  await tables.addColumn('users', 'isOff', no);
  // What the codes of the second step are made of, in base 32 (RFC 4648, 6); null without one.
  await tables.addColumn('users', 'stepSecret', { type: STRING(64), allowNull: true });
  // The stretch of time of the code that was taken last: none is taken twice (RFC 6238, 5.2).
  await tables.addColumn('users', 'stepUsed', { type: INTEGER, allowNull: false, defaultValue: 0 });
  // Hashes of codes for whoever has lost their telephone.
  await tables.addColumn('users', 'spareCodes', { type: JSON_TYPE, allowNull: false, defaultValue: '[]' });
  await tables.addColumn('users', 'seenAt', { type: BIGINT, allowNull: true });
  await tables.addColumn('sessions', 'usedAt', { ...moment, defaultValue: 0 });
  await tables.addColumn('sessions', 'browser', word(300));
  await tables.addColumn('sessions', 'address', word(60));
  await tables.run('UPDATE sessions SET "usedAt" = "createdAt"');
  await tables.addColumn('tokens', 'readOnly', no);
  await tables.addColumn('tokens', 'expiresAt', { type: BIGINT, allowNull: true });
  await tables.run('DROP TABLE setup_links');
  const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
  const whose = { type: INTEGER, allowNull: true };
  await tables.create('one_time_links', {
    id,
    hash: { type: STRING(64), allowNull: false, unique: true },
    // What it lets somebody do: "owner", "invitation" or "password".
    purpose: word(20),
    // Whose password it changes; null for who isn't here yet.
    userId: whose,
    email: word(254),
    name: word(120),
    role: word(20),
    // Who made it; null for the program.
    byId: whose,
    createdAt: moment,
    expiresAt: moment,
  });
  await tables.create('door_log', {
    id,
    at: moment,
    what: word(30),
    userId: whose,
    email: word(254),
    address: word(60),
    about: { type: TEXT, allowNull: false },
  });
  await tables.addIndex('door_log', ['at']);
}
