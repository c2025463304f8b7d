import type { Tables } from './tables.js';

/** Reading all listings of a kind by id, stretch by stretch, without sorting those that remain each time. */
export async function up(tables: Tables): Promise<void> {
  await tables.addIndex('listings', ['kindId'], { name: 'listings_kind_id' });
}
