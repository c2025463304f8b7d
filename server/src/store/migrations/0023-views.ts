import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER } = DataTypes;
const key = { type: INTEGER, primaryKey: true };
const needed = { type: INTEGER, allowNull: false };

/** How often the pages of listings were looked at, by day; after a year by the first day of the month. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('listing_views', { day: key, listingId: key, kindId: needed, views: needed });
  await tables.addIndex('listing_views', ['kindId', 'day']);
}
