import type { ModelAttributes, ModelStatic, Model, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';

const { INTEGER, BIGINT, STRING, TEXT, BOOLEAN, DOUBLE, JSON: JSON_TYPE } = DataTypes;
const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
const key = <T>(type: T): { type: T; primaryKey: true } => ({ type, primaryKey: true });

/** The columns of every table, by the name that the code has for it; the migrations, which make them, have the last word. */
const TABLES = {
  site: ['site', { id, settings: JSON_TYPE }],
  users: [
    'users',
    {
      ...{ id, email: STRING, name: STRING, passwordHash: STRING, role: STRING, createdAt: BIGINT, isOff: BOOLEAN },
      ...{ stepSecret: STRING, stepUsed: INTEGER, spareCodes: JSON_TYPE, seenAt: BIGINT },
    },
  ],
  sessions: [
    'sessions',
    {
      ...{ tokenHash: key(STRING), userId: INTEGER, csrf: STRING, createdAt: BIGINT, expiresAt: BIGINT },
      ...{ usedAt: BIGINT, browser: STRING, address: STRING },
    },
  ],
  openDesks: ['open_desks', { desk: key(STRING), userId: INTEGER, listingId: INTEGER, seenAt: BIGINT }],
  tokens: [
    'tokens',
    {
      ...{ id, userId: INTEGER, name: STRING, tokenHash: STRING, createdAt: BIGINT, lastUsedAt: BIGINT },
      ...{ readOnly: BOOLEAN, expiresAt: BIGINT },
    },
  ],
  oneTimeLinks: [
    'one_time_links',
    {
      ...{ id, hash: STRING, purpose: STRING, userId: INTEGER, email: STRING, name: STRING, role: STRING },
      ...{ byId: INTEGER, createdAt: BIGINT, expiresAt: BIGINT },
    },
  ],
  doorLog: ['door_log', { id, at: BIGINT, what: STRING, userId: INTEGER, email: STRING, address: STRING, about: TEXT }],
  throttles: ['throttles', { key: key(STRING), hits: INTEGER, resetAt: BIGINT }],
  kinds: ['kinds', { id, slug: STRING, definition: JSON_TYPE, version: INTEGER, importId: INTEGER, removed: BOOLEAN }],
  categorySets: ['category_sets', { id, slug: STRING, definition: JSON_TYPE, version: INTEGER }],
  links: ['links', { id, definition: JSON_TYPE, version: INTEGER }],
  selections: ['selections', { id, slug: STRING, definition: JSON_TYPE, version: INTEGER }],
  designs: [
    'designs',
    { id, type: STRING, kindId: INTEGER, position: DOUBLE, definition: JSON_TYPE, draft: JSON_TYPE, version: INTEGER },
  ],
  takenNames: ['taken_names', { scope: key(STRING), name: key(STRING), ownerId: INTEGER }],
  counters: ['counters', { name: key(STRING), value: BIGINT }],
  pictures: [
    'pictures',
    {
      ...{ hash: key(STRING), number: INTEGER, width: INTEGER, height: INTEGER },
      ...{ fileName: STRING, source: STRING, bytes: INTEGER, createdAt: BIGINT },
    },
  ],
  files: ['files', { hash: key(STRING), name: STRING, type: STRING, bytes: INTEGER, createdAt: BIGINT }],
  listings: [
    'listings',
    {
      ...{ id, kindId: INTEGER, slug: STRING, address: TEXT, title: STRING, summary: TEXT },
      ...{ picture: JSON_TYPE, body: TEXT },
      ...{ place: JSON_TYPE, author: STRING, aside: JSON_TYPE, values: JSON_TYPE, status: STRING },
      ...{ featured: BOOLEAN, handOrder: DOUBLE, version: INTEGER, createdAt: BIGINT, changedAt: BIGINT },
      ...{ publishedAt: BIGINT, binnedAt: BIGINT, shownFrom: BIGINT, shownUntil: BIGINT },
      ...{ featuredFrom: BIGINT, featuredUntil: BIGINT, expiry: STRING },
    },
  ],
  connections: [
    'connections',
    { id, linkId: INTEGER, a: INTEGER, b: INTEGER, note: STRING, aOrder: DOUBLE, bOrder: DOUBLE },
  ],
  formerAddresses: ['former_addresses', { scope: key(STRING), address: key(TEXT), ownerId: INTEGER }],
  examples: ['examples', { listingId: key(INTEGER), asItCame: STRING }],
  uniqueValues: ['unique_values', { kindId: key(INTEGER), field: key(STRING), value: key(STRING), listingId: INTEGER }],
  changes: [
    'changes',
    {
      ...{ id, at: BIGINT, userId: INTEGER, by: STRING, sentence: TEXT, state: STRING },
      ...{ undoneBy: INTEGER, number: INTEGER },
    },
  ],
  entries: [
    'change_entries',
    {
      ...{ id, changeId: INTEGER, entity: STRING, entityId: INTEGER, kindId: INTEGER },
      ...{ before: JSON_TYPE, after: JSON_TYPE, endA: INTEGER, endB: INTEGER },
    },
  ],
  imports: [
    'imports',
    {
      ...{ id: key(INTEGER), userId: INTEGER, kindId: INTEGER, fileName: TEXT, policy: STRING, state: STRING },
      ...{ rows: INTEGER, seen: INTEGER, added: INTEGER, refused: INTEGER, reports: JSON_TYPE },
      ...{ node: STRING, leaseUntil: BIGINT },
    },
  ],
  dueWork: [
    'due_work',
    {
      ...{ id, task: STRING, subject: INTEGER, dueAt: BIGINT, state: JSON_TYPE, attempts: INTEGER },
      ...{ notBefore: BIGINT, node: STRING, leaseUntil: BIGINT, fault: TEXT },
    },
  ],
  submissions: [
    'submissions',
    {
      ...{ id, version: INTEGER, state: STRING, intent: STRING, kindId: INTEGER, listingId: INTEGER, userId: INTEGER },
      ...{ email: STRING, suspected: BOOLEAN, secretHash: STRING, fingerprint: STRING, createdAt: BIGINT },
      ...{ changedAt: BIGINT, definition: JSON_TYPE, sender: JSON_TYPE, sealedSecret: STRING },
    },
  ],
  formAttempts: ['form_attempts', { tokenHash: key(STRING), formId: INTEGER, madeAt: BIGINT, kept: JSON_TYPE }],
  listingViews: ['listing_views', { day: key(INTEGER), listingId: key(INTEGER), kindId: INTEGER, views: INTEGER }],
  visitCounts: [
    'visit_counts',
    { day: key(INTEGER), what: key(STRING), about: key(STRING), detail: key(STRING), times: INTEGER },
  ],
  backups: [
    'backups',
    {
      ...{ id, at: BIGINT, name: STRING, bytes: BIGINT, rows: BIGINT, files: BIGINT, tookInMs: BIGINT },
      ...{ verified: STRING, fault: TEXT },
    },
  ],
  calendarFeeds: ['calendar_feeds', { hash: key(STRING), createdAt: BIGINT }],
  signInPlaces: ['sign_in_places', { userId: key(INTEGER), place: key(STRING), at: BIGINT }],
  mails: [
    'mails',
    {
      ...{ id, messageId: STRING, about: STRING, recipient: STRING, subject: TEXT, text: TEXT, html: TEXT },
      ...{ at: BIGINT, state: STRING, sentAt: BIGINT, code: INTEGER, attempts: INTEGER, notBefore: BIGINT },
      ...{ node: STRING, leaseUntil: BIGINT, fault: TEXT },
    },
  ],
  notices: ['notices', { id, key: STRING, recipient: STRING, at: BIGINT, said: JSON_TYPE, mailId: INTEGER }],
  tableViews: ['table_views', { userId: key(INTEGER), kindId: key(INTEGER), kept: JSON_TYPE }],
} as const satisfies Readonly<Record<string, readonly [table: string, columns: ModelAttributes]>>;

export type TableName = keyof typeof TABLES;
export type Models = Readonly<Record<TableName, ModelStatic<Model>>>;

/** Every table by the name that the code has for it, parents before those that refer to them. */
export const ALL_TABLES = Object.keys(TABLES) as TableName[];

/** The tables as Sequelize sees them. */
export function defineModels(sequelize: Sequelize): Models {
  const options = { timestamps: false, freezeTableName: true };
  const defined = Object.entries(TABLES).map(([name, [table, columns]]) => [
    name,
    sequelize.define(table, columns as ModelAttributes, options),
  ]);
  return Object.fromEntries(defined) as Models;
}
