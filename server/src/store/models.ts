import type { ModelStatic, Model, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';

const { INTEGER, BIGINT, STRING, TEXT, BOOLEAN, DOUBLE, JSON: JSON_TYPE } = DataTypes;
const id = { type: INTEGER, primaryKey: true, autoIncrement: true };

export interface Models {
  readonly site: ModelStatic<Model>;
  readonly users: ModelStatic<Model>;
  readonly sessions: ModelStatic<Model>;
  readonly tokens: ModelStatic<Model>;
  readonly kinds: ModelStatic<Model>;
  readonly pictures: ModelStatic<Model>;
  readonly files: ModelStatic<Model>;
  readonly categorySets: ModelStatic<Model>;
  readonly links: ModelStatic<Model>;
  readonly connections: ModelStatic<Model>;
  readonly listings: ModelStatic<Model>;
  readonly changes: ModelStatic<Model>;
  readonly entries: ModelStatic<Model>;
  readonly selections: ModelStatic<Model>;
  readonly tableViews: ModelStatic<Model>;
}

/** The tables as Sequelize sees them; their columns are made by the migrations, which have the last word. */
export function defineModels(sequelize: Sequelize): Models {
  const options = { timestamps: false, freezeTableName: true };
  return {
    site: sequelize.define('site', { id, settings: JSON_TYPE }, options),
    users: sequelize.define(
      'users',
      { id, email: STRING, name: STRING, passwordHash: STRING, role: STRING, createdAt: BIGINT },
      options,
    ),
    sessions: sequelize.define(
      'sessions',
      {
        tokenHash: { type: STRING, primaryKey: true },
        userId: INTEGER,
        csrf: STRING,
        createdAt: BIGINT,
        expiresAt: BIGINT,
      },
      options,
    ),
    tokens: sequelize.define(
      'tokens',
      { id, userId: INTEGER, name: STRING, tokenHash: STRING, createdAt: BIGINT, lastUsedAt: BIGINT },
      options,
    ),
    kinds: sequelize.define('kinds', { id, slug: STRING, definition: JSON_TYPE, version: INTEGER }, options),
    pictures: sequelize.define(
      'pictures',
      {
        hash: { type: STRING, primaryKey: true },
        number: INTEGER,
        width: INTEGER,
        height: INTEGER,
        fileName: STRING,
        source: STRING,
        bytes: INTEGER,
        createdAt: BIGINT,
      },
      options,
    ),
    categorySets: sequelize.define(
      'category_sets',
      { id, slug: STRING, definition: JSON_TYPE, version: INTEGER },
      options,
    ),
    links: sequelize.define('links', { id, definition: JSON_TYPE, version: INTEGER }, options),
    connections: sequelize.define(
      'connections',
      { id, linkId: INTEGER, a: INTEGER, b: INTEGER, note: STRING, aOrder: DOUBLE, bOrder: DOUBLE },
      options,
    ),
    files: sequelize.define(
      'files',
      { hash: { type: STRING, primaryKey: true }, name: STRING, type: STRING, bytes: INTEGER, createdAt: BIGINT },
      options,
    ),
    listings: sequelize.define(
      'listings',
      {
        id,
        kindId: INTEGER,
        slug: STRING,
        title: STRING,
        summary: TEXT,
        picture: JSON_TYPE,
        body: TEXT,
        place: JSON_TYPE,
        author: STRING,
        aside: JSON_TYPE,
        values: JSON_TYPE,
        status: STRING,
        featured: BOOLEAN,
        handOrder: DOUBLE,
        version: INTEGER,
        createdAt: BIGINT,
        changedAt: BIGINT,
        publishedAt: BIGINT,
        binnedAt: BIGINT,
        shownFrom: BIGINT,
        shownUntil: BIGINT,
        featuredFrom: BIGINT,
        featuredUntil: BIGINT,
      },
      options,
    ),
    changes: sequelize.define(
      'changes',
      { id, at: BIGINT, userId: INTEGER, sentence: TEXT, state: STRING, undoneBy: INTEGER },
      options,
    ),
    entries: sequelize.define(
      'change_entries',
      {
        id,
        changeId: INTEGER,
        entity: STRING,
        entityId: INTEGER,
        before: JSON_TYPE,
        after: JSON_TYPE,
        endA: INTEGER,
        endB: INTEGER,
      },
      options,
    ),
    selections: sequelize.define('selections', { id, slug: STRING, definition: JSON_TYPE, version: INTEGER }, options),
    tableViews: sequelize.define(
      'table_views',
      {
        userId: { type: INTEGER, primaryKey: true },
        kindId: { type: INTEGER, primaryKey: true },
        kept: JSON_TYPE,
      },
      options,
    ),
  };
}
