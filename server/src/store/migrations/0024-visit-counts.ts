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
  await tables.run(
    'INSERT INTO visit_counts ("day", "what", "about", "detail", "times") ' +
      `SELECT "day", 'views', CAST("kindId" AS VARCHAR(300)), '', SUM("views") FROM listing_views GROUP BY "day", "kindId"`,
  );
  // What is asked about many days is read in the order in which it is added up, all of it from the index.
  await tables.addIndex('listing_views', ['listingId', 'day', 'kindId', 'views']);
  await tables.addIndex('visit_counts', ['what', 'about', 'detail', 'day', 'times']);
}
