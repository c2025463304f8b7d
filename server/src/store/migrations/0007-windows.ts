import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

const { BIGINT } = DataTypes;

const MOMENTS = ['publishedAt', 'shownFrom', 'shownUntil', 'featuredFrom', 'featuredUntil'];

/** When a listing was published first, and the windows in which it is on the site and featured. */
export async function up(query: QueryInterface): Promise<void> {
  for (const moment of MOMENTS) await query.addColumn('listings', moment, { type: BIGINT, allowNull: true });
  // Of what is live already it is not known since when; the moment at which it was added is the nearest to it.
  await query.sequelize.query(`UPDATE listings SET "publishedAt" = "createdAt" WHERE status = 'live'`);
}

export async function down(query: QueryInterface): Promise<void> {
  for (const moment of MOMENTS) await query.removeColumn('listings', moment);
}
