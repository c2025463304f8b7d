import { firstCard } from '@plindo/core/design';
import type { Field } from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import { DataTypes } from 'sequelize';
import type { Row } from '../records.js';
import { designOf, kindOf, parsed } from '../records.js';
import { nameOfDesign } from '../units/taken-names.js';
import type { Tables } from './tables.js';

const { DOUBLE, INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;

/** A field as it was kept before: with whether it stands on cards. */
interface FormerField extends Pick<Field, 'key'> {
  readonly onCard?: boolean;
}

/**
 * How listings look. What fields said of cards becomes the first card of each kind, with which they look as before.
 */
export async function up(tables: Tables): Promise<void> {
  const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
  const count = { type: INTEGER, allowNull: false };
  await tables.create('designs', {
    ...{ id, type: { type: STRING(20), allowNull: false }, kindId: { type: INTEGER, allowNull: true } },
    ...{ position: { type: DOUBLE, allowNull: false } },
    ...{ definition: { type: JSON_TYPE, allowNull: false }, version: count },
  });
  const kinds = await tables.rows('SELECT * FROM kinds ORDER BY id');
  const cards = kinds.map(firstCardOf);
  await tables.insert('designs', cards);
  await takeNames(tables);
}

function firstCardOf(row: Row): Row {
  const kept = parsed<{ readonly fields: readonly FormerField[] }>(row['definition']);
  const onCard = kept.fields.filter((field) => field.onCard === true).map(({ key }) => key);
  const { id: kindId, definition } = kindOf(row);
  return { type: 'card', kindId, position: 1, definition: JSON.stringify(firstCard(definition, onCard)), version: 1 };
}

async function takeNames(tables: Tables): Promise<void> {
  const rows = await tables.rows('SELECT * FROM designs');
  const names = rows.map((row) => {
    const design = designOf(row);
    return { scope: 'design', name: foldText(nameOfDesign(design)), ownerId: design.id };
  });
  await tables.insert('taken_names', names);
}
