import type { QueryInterface } from 'sequelize';
import { DataTypes } from 'sequelize';

const { JSON: JSON_TYPE } = DataTypes;

/** Designs that visitors do not see yet: of which design they are drafts, and when they are published. */
export async function up(query: QueryInterface): Promise<void> {
  await query.addColumn('designs', 'draft', { type: JSON_TYPE, allowNull: true });
}

/** Drafts are lost, as nothing else tells them from what visitors see. */
export async function down(query: QueryInterface): Promise<void> {
  await query.sequelize.query('DELETE FROM designs WHERE draft IS NOT NULL');
  await query.removeColumn('designs', 'draft');
}
