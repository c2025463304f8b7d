import { firstCard } from '@plindo/core/design';
import type { Field } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import type { QueryInterface, Transaction } from 'sequelize';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Row } from '../records.js';
import { designOf, kindOf, parsed } from '../records.js';
import { nameOfDesign } from '../units/taken-names.js';

const { DOUBLE, INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** A field as it was kept before: with whether it stands on cards. */
interface FormerField extends Pick<Field, 'key'> {
  readonly onCard?: boolean;
}

/**
 * How listings look. What fields said of cards becomes the first card of each kind, with which they look as before.
 */
export async function up(query: QueryInterface): Promise<void> {
  await query.sequelize.transaction(async (transaction) => {
    const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
    const count = { type: INTEGER, allowNull: false };
    await query.createTable(
      'designs',
      {
        ...{ id, type: { type: STRING(20), allowNull: false }, kindId: { type: INTEGER, allowNull: true } },
        ...{ position: { type: DOUBLE, allowNull: false } },
        ...{ definition: { type: JSON_TYPE, allowNull: false }, version: count },
      },
      { transaction },
    );
    const kinds = await query.sequelize.query<Row>('SELECT * FROM kinds ORDER BY id', {
      type: QueryTypes.SELECT,
      transaction,
    });
    const cards = kinds.map(firstCardOf);
    if (cards.length > 0) await query.bulkInsert('designs', cards, { transaction });
    await takeNames(query, transaction);
  });
}

function firstCardOf(row: Row): Row {
  const kept = parsed<{ readonly fields: readonly FormerField[] }>(row['definition']);
  const onCard = kept.fields.filter((field) => field.onCard === true).map(({ key }) => key);
  const { id: kindId, definition } = kindOf(row);
  return { type: 'card', kindId, position: 1, definition: JSON.stringify(firstCard(definition, onCard)), version: 1 };
}

async function takeNames(query: QueryInterface, transaction: Transaction): Promise<void> {
  const rows = await query.sequelize.query<Row>('SELECT * FROM designs', { type: QueryTypes.SELECT, transaction });
  const names = rows.map((row) => {
    const design = designOf(row);
    return { scope: 'design', name: foldText(nameOfDesign(design)), ownerId: design.id };
  });
  if (names.length > 0) await query.bulkInsert('taken_names', names, { transaction });
}

/** Which fields stood on cards is lost. */
export async function down(query: QueryInterface): Promise<void> {
  await query.dropTable('designs');
  await query.bulkDelete('taken_names', { scope: 'design' });
}
