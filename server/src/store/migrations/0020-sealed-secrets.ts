import { STRING } from 'sequelize';
import type { Tables } from './tables.js';

/** A secret of a second step is longer when it is encrypted. The column is made anew, which both databases can. */
export async function up(tables: Tables): Promise<void> {
  await tables.addColumn('users', 'stepSealed', { type: STRING(255), allowNull: true });
  await tables.run('UPDATE users SET "stepSealed" = "stepSecret"');
  await tables.run('ALTER TABLE users DROP COLUMN "stepSecret"');
  await tables.run('ALTER TABLE users RENAME COLUMN "stepSealed" TO "stepSecret"');
}
