import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { BIGINT, BOOLEAN, INTEGER, STRING, JSON: JSON_TYPE } = DataTypes;
const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
const needed = { allowNull: false };

/** What visitors send in, and what they have answered in forms before they send it. */
export async function up(tables: Tables): Promise<void> {
  await tables.create('submissions', {
    id,
    version: { type: INTEGER, ...needed },
    state: { type: STRING(20), ...needed },
    intent: { type: STRING(20), ...needed },
    kindId: { type: INTEGER, ...needed },
    listingId: { type: INTEGER, allowNull: true },
    userId: { type: INTEGER, allowNull: true },
    email: { type: STRING(254), ...needed },
    suspected: { type: BOOLEAN, ...needed },
    secretHash: { type: STRING(64), ...needed },
    /** A hash of its texts, by which the same sent again is found. */
    fingerprint: { type: STRING(64), ...needed },
    createdAt: { type: BIGINT, ...needed },
    changedAt: { type: BIGINT, ...needed },
    definition: { type: JSON_TYPE, ...needed },
    /** Name and consents; the change log has nothing of who sent it. */
    sender: { type: JSON_TYPE, ...needed },
    /** The secret of the sender's link, encrypted. */
    sealedSecret: { type: STRING(200), ...needed },
  });
  await tables.addIndex('submissions', ['secretHash'], { unique: true });
  await tables.addIndex('submissions', ['state', 'createdAt']);
  await tables.addIndex('submissions', ['listingId']);
  await tables.addIndex('submissions', ['userId']);
  await tables.addIndex('submissions', ['email']);
  await tables.addIndex('submissions', ['fingerprint']);
  await tables.create('form_attempts', {
    tokenHash: { type: STRING(64), primaryKey: true },
    formId: { type: INTEGER, ...needed },
    madeAt: { type: BIGINT, ...needed },
    kept: { type: JSON_TYPE, ...needed },
  });
  await tables.addIndex('form_attempts', ['madeAt']);
}
