import type { QueryInterface } from 'sequelize';

const INDEX = { name: 'listings_kind_id', fields: ['kindId'] };

/** Reading all listings of a kind by id, stretch by stretch, without sorting those that remain each time. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addIndex('listings', INDEX);
}

export async function down(query: QueryInterface): Promise<void> {
  await query.removeIndex('listings', INDEX.name);
}
