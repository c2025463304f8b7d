import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { BIGINT } = DataTypes;

const MOMENTS = ['publishedAt', 'shownFrom', 'shownUntil', 'featuredFrom', 'featuredUntil'];

/** When a listing was published first, and the windows in which it is on the site and featured. */
export async function up(tables: Tables): Promise<void> {
  for (const moment of MOMENTS) await tables.addColumn('listings', moment, { type: BIGINT, allowNull: true });
  // Of what is live already it is not known since when; the moment at which it was added is the nearest to it.
  await tables.run(`UPDATE listings SET "publishedAt" = "createdAt" WHERE status = 'live'`);
}
