import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, STRING } = DataTypes;
const key = (type: typeof INTEGER | ReturnType<typeof STRING>) => ({ type, primaryKey: true });

/** What else of visits is counted, by day; after a year by the first day of the month. No lists ask for it, Learn alone. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('visit_counts', {
    ...{ day: key(INTEGER), what: key(STRING(20)), about: key(STRING(300)), detail: key(STRING(300)) },
    times: { type: INTEGER, allowNull: false },
  });
}
