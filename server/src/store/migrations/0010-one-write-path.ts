import type { Listing } from '@plindo/core/listings';
import type { CategorySet, Field } from '@plindo/core/structure';
import {
  completeDefinition,
  counterOf,
  isUnique,
  makeKindDefinition,
  referencePattern,
  uniqueValuesOf,
} from '@plindo/core/structure';
import { foldText } from '@plindo/core/values';
import { DataTypes } from 'sequelize';
import { referenceCounter } from '../units/counters.js';
import type { Row } from '../records.js';
import { categorySetOf, parsed } from '../records.js';
import { keptSameness } from '../units/unique-rows.js';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT, JSON: JSON_TYPE } = DataTypes;
const LISTINGS_AT_ONCE = 1000;
const ROWS_AT_ONCE = 500;

/**
 * What makes the store decide: the place of every change in the feed, counters, names and values that nothing else may
 * have, imports that are running, one-time links, and tries of signing in.
 */
export async function up(tables: Tables): Promise<void> {
  await addTables(tables);
  await tables.run(`UPDATE changes SET "number" = "id" WHERE "state" = 'done'`);
  await new Taken(tables).fill();
}

async function addTables(tables: Tables): Promise<void> {
  const id = { type: INTEGER, primaryKey: true };
  const count = { type: INTEGER, allowNull: false, defaultValue: 0 };
  const text = (length: number) => ({ type: STRING(length), allowNull: false });
  const moment = { type: BIGINT, allowNull: false };
  // The place in the feed, given when a change is complete; null while it is open.
  await tables.addColumn('changes', 'number', { type: INTEGER, allowNull: true });
  await tables.addIndex('changes', ['number'], { unique: true });
  // The kind of a listing that an entry is about, so that a large change needn't be read to know which kinds it touched.
  await tables.addColumn('change_entries', 'kindId', { type: INTEGER, allowNull: true });
  await tables.addColumn('kinds', 'importId', { type: INTEGER, allowNull: true });
  await tables.create('counters', {
    name: { type: STRING(200), primaryKey: true },
    value: { type: BIGINT, allowNull: false },
  });
  await tables.create('taken_names', {
    scope: { type: STRING(20), primaryKey: true },
    name: { type: STRING(200), primaryKey: true },
    ownerId: { type: INTEGER, allowNull: false },
  });
  await tables.create('unique_values', {
    kindId: id,
    field: { type: STRING(60), primaryKey: true },
    value: { type: STRING(300), primaryKey: true },
    listingId: {
      type: INTEGER,
      allowNull: false,
      references: { model: 'listings', key: 'id' },
      onDelete: 'CASCADE',
    },
  });
  await tables.addIndex('unique_values', ['listingId']);
  await tables.create('imports', {
    // The number of its change.
    id: { ...id, references: { model: 'changes', key: 'id' }, onDelete: 'CASCADE' },
    userId: { type: INTEGER, allowNull: false },
    kindId: { type: INTEGER, allowNull: false },
    fileName: { type: TEXT, allowNull: false },
    policy: text(20),
    state: text(20),
    rows: count,
    seen: count,
    added: count,
    refused: count,
    reports: { type: JSON_TYPE, allowNull: false },
    node: text(40),
    leaseUntil: moment,
  });
  await tables.create('setup_links', { hash: { type: STRING(64), primaryKey: true }, createdAt: moment });
  await tables.create('throttles', { key: { type: STRING(100), primaryKey: true }, hits: count, resetAt: moment });
}

/** Finds what is taken already. Where two have the same, the older one keeps it; nobody can be given it anew. */
class Taken {
  constructor(private readonly tables: Tables) {}

  async fill(): Promise<void> {
    const sets = (await this.tables.rows('SELECT * FROM category_sets ORDER BY id')).map(categorySetOf);
    const names = new Map<string, Row>();
    const take = (scope: string, ownerId: unknown, texts: readonly string[]): void => {
      for (const name of texts.map(foldText)) {
        if (!names.has(`${scope} ${name}`)) names.set(`${scope} ${name}`, { scope, name, ownerId });
      }
    };
    for (const row of await this.tables.rows('SELECT * FROM kinds ORDER BY id')) {
      const definition = parsed<{ one: string; many: string; fields: Field[] }>(row['definition']);
      take('kind', row['id'], [definition.one, definition.many]);
      await this.fillKind(Number(row['id']), definition, sets);
    }
    for (const { id, label } of sets) take('category-set', id, [label]);
    for (const row of await this.tables.rows('SELECT * FROM selections ORDER BY id')) {
      take('selection', row['id'], [parsed<{ name: string }>(row['definition']).name]);
    }
    await this.insert('taken_names', [...names.values()]);
  }

  private async fillKind(
    kindId: number,
    kept: { one: string; many: string; fields: Field[] },
    sets: readonly CategorySet[],
  ): Promise<void> {
    const { fields } = completeDefinition(makeKindDefinition({ ...kept, slug: 'x' }), sets, []);
    const references = fields.filter(({ type }) => type === 'reference');
    const counters = new Map(references.map(({ key }) => [key, 0]));
    const count = ({ values }: Pick<Listing, 'values'>): void => {
      for (const field of references) {
        const counter = counterOf(String(values[field.key] ?? ''), referencePattern(field)) ?? 0;
        counters.set(field.key, Math.max(counter, counters.get(field.key)!));
      }
    };
    if (fields.some(isUnique)) await this.fillValues(kindId, fields, count);
    if (references.length > 0) await this.countDeleted(kindId, count);
    const rows = [...counters].map(([key, value]) => ({ name: referenceCounter(kindId, key), value }));
    await this.insert('counters', rows);
  }

  private async fillValues(
    kindId: number,
    fields: readonly Field[],
    count: (listing: Pick<Listing, 'values'>) => void,
  ): Promise<void> {
    const seen = new Set<string>();
    for (let after = 0; ;) {
      const select = `SELECT "id", "values" FROM listings WHERE "kindId" = ${kindId} AND "id" > ${after} ORDER BY "id"`;
      const stretch = await this.tables.rows(`${select} LIMIT ${LISTINGS_AT_ONCE}`);
      const rows: Row[] = [];
      for (const listing of stretch) {
        const values = parsed<Listing['values']>(listing['values']);
        count({ values });
        for (const [field, sameness] of uniqueValuesOf(values, fields)) {
          const value = keptSameness(sameness);
          if (seen.has(`${field} ${value}`)) continue;
          seen.add(`${field} ${value}`);
          rows.push({ kindId, field, value, listingId: listing['id'] });
        }
      }
      await this.insert('unique_values', rows);
      if (stretch.length < LISTINGS_AT_ONCE) return;
      after = Number(stretch.at(-1)!['id']);
    }
  }

  /** Numbers of listings that were deleted for good are not given out again either. */
  private async countDeleted(kindId: number, count: (listing: Pick<Listing, 'values'>) => void): Promise<void> {
    const select = `SELECT "before" FROM change_entries WHERE "entity" = 'listing' AND "after" IS NULL`;
    for (const row of await this.tables.rows(select)) {
      const listing = parsed<Listing | null>(row['before']);
      if (listing?.kindId === kindId) count(listing);
    }
  }

  private async insert(table: string, rows: readonly Row[]): Promise<void> {
    for (let start = 0; start < rows.length; start += ROWS_AT_ONCE) {
      await this.tables.insert(table, rows.slice(start, start + ROWS_AT_ONCE));
    }
  }
}
