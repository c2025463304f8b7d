import { DataTypes } from 'sequelize';
import type { Tables } from './tables.js';

const { INTEGER, BIGINT, STRING, TEXT, JSON: JSON_TYPE } = DataTypes;

/**
 * What listings say of the rule by which they leave, who makes the changes that no user makes, the work that is due at
 * moments, and the notices and mails that it sends.
 */
export async function up(tables: Tables): Promise<void> {
  const id = { type: INTEGER, primaryKey: true, autoIncrement: true };
  const count = { type: INTEGER, allowNull: false, defaultValue: 0 };
  const moment = { type: BIGINT, allowNull: false, defaultValue: 0 };
  const text = { type: TEXT, allowNull: false, defaultValue: '' };
  const name = (length: number) => ({ type: STRING(length), allowNull: false, defaultValue: '' });
  const claimed = { attempts: count, notBefore: moment, node: name(40), leaseUntil: moment, fault: text };
  await tables.addColumn('listings', 'expiry', { type: STRING(10), allowNull: true });
  await tables.addColumn('changes', 'by', name(200));
  await tables.create('due_work', {
    id,
    task: name(20),
    // Of what the work is about: a listing, a kind, a design.
    subject: { type: INTEGER, allowNull: false },
    // Null for work of which nothing more is due, kept for what is known of it.
    dueAt: { type: BIGINT, allowNull: true },
    state: { type: JSON_TYPE, allowNull: false },
    ...claimed,
  });
  const address = { type: STRING(254), allowNull: false };
  await tables.create('mails', {
    id,
    // Tells one mail from all others, as mail programs do (RFC 5322, 3.6.4).
    messageId: { type: STRING(200), allowNull: false, unique: true },
    about: name(40),
    recipient: address,
    subject: text,
    text,
    html: text,
    at: moment,
    state: name(10),
    sentAt: { type: BIGINT, allowNull: true },
    // What the mail server answered last; null for nothing.
    code: { type: INTEGER, allowNull: true },
    ...claimed,
  });
  await tables.addIndex('mails', ['state']);
  await tables.create('notices', {
    id,
    // What it is about, so that nobody is told the same twice.
    key: { type: STRING(300), allowNull: false, unique: true },
    recipient: address,
    at: moment,
    said: { type: JSON_TYPE, allowNull: false },
    // The mail that tells it; null while it waits for the mail of the day.
    mailId: { type: INTEGER, allowNull: true },
  });
  await tables.addIndex('notices', ['mailId']);
  await tables.addIndex('due_work', ['task', 'subject'], { unique: true });
  await tables.addIndex('due_work', ['dueAt']);
  await tables.create('sign_in_places', {
    userId: { type: INTEGER, primaryKey: true },
    // A hash of where somebody signed in from.
    place: { type: STRING(64), primaryKey: true },
    at: moment,
  });
  const hash = { type: STRING(64), primaryKey: true };
  await tables.create('calendar_feeds', { hash, createdAt: moment });
  await fill(tables);
}

/** What is due already: drafts with a moment, which are looked at first thing, and listings that are featured until one. */
async function fill(tables: Tables): Promise<void> {
  const insert = 'INSERT INTO due_work ("task", "subject", "dueAt", "state")';
  const drafts = `${insert} SELECT 'drafts', 0, 0, '{}' WHERE EXISTS (SELECT 1 FROM designs WHERE "draft" IS NOT NULL)`;
  const until = '"featured" AND "featuredUntil" IS NOT NULL';
  const featured = `${insert} SELECT 'featured', "id", "featuredUntil", '{}' FROM listings WHERE ${until}`;
  for (const statement of [drafts, featured]) await tables.run(statement);
}
