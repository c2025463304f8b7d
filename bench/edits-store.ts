import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BLANK_CONTENT } from '@plindo/core/listings';
import type { ListingContent } from '@plindo/core/listings';
import type { ExpirySketch, Field } from '@plindo/core/structure';
import { kindOfImport, makeField } from '@plindo/core/structure';
import { SiteWords } from '@plindo/core/values';
import { Store } from '@plindo/server/store/index';
import sqlite3 from 'sqlite3';
import { addOwner, addToken } from './owner.js';
import { TestServer } from '../e2e/harness/server.js';
import { timed } from './measure.js';
import { WORDS } from './places.js';

const LISTINGS_AT_ONCE = 5000;
const WORDS_A_DESCRIPTION = 30;
const TYPES = ['Quay', 'Pontoon', 'Buoy', 'Pile', 'Dry stand'];
const SERVICES = ['Water', 'Power', 'Fuel', 'Showers', 'Crane', 'Slip', 'Laundry', 'Ice'];

function choices(labels: readonly string[]): Field['settings'] {
  return { choices: labels.map((label) => ({ key: label.toLowerCase().replaceAll(' ', '_'), label })) };
}

/** Twenty fields of all the common types; two of them are searched. */
const FIELDS: readonly Field[] = [
  makeField({ key: 'code', label: 'Code', type: 'short-text', unique: true }),
  makeField({ key: 'keeper', label: 'Keeper', type: 'short-text', searchWeight: 1 }),
  makeField({ key: 'description', label: 'Description', type: 'long-text', searchWeight: 1 }),
  makeField({ key: 'type', label: 'Type', type: 'one-choice', settings: choices(TYPES) }),
  makeField({ key: 'basin', label: 'Basin', type: 'one-choice', settings: choices(WORDS.slice(0, 40)) }),
  makeField({ key: 'bottom', label: 'Bottom', type: 'one-choice', settings: choices(WORDS.slice(40, 46)) }),
  makeField({ key: 'services', label: 'Services', type: 'several-choices', settings: choices(SERVICES) }),
  makeField({ key: 'season', label: 'Season', type: 'several-choices', settings: choices(WORDS.slice(50, 54)) }),
  makeField({ key: 'lit', label: 'Lit', type: 'yes-no' }),
  makeField({ key: 'guarded', label: 'Guarded', type: 'yes-no' }),
  makeField({ key: 'number', label: 'Number', type: 'whole-number' }),
  makeField({ key: 'seats', label: 'Seats', type: 'whole-number' }),
  makeField({ key: 'draught', label: 'Draught', type: 'decimal' }),
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
  makeField({ key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } }),
  makeField({ key: 'since', label: 'Since', type: 'date' }),
  makeField({ key: 'checked', label: 'Checked', type: 'date' }),
  makeField({ key: 'rating', label: 'Rating', type: 'rating', settings: { stars: 5 } }),
  makeField({ key: 'page', label: 'Page', type: 'web-address' }),
  makeField({ key: 'mail', label: 'Mail', type: 'email' }),
];

export interface StartedServer {
  readonly server: TestServer;
  /** Milliseconds from its start until it was ready. */
  readonly readyMs: number;
  /** The same of the start before it, when no catalog had been kept yet. */
  readonly firstReadyMs: number;
  /** To edit with. */
  readonly token: string;
}

/** What is otherwise in a store. */
export interface StoreChange {
  readonly expiry?: ExpirySketch;
  readonly contentAt?: (at: number) => Partial<ListingContent>;
  readonly environment?: Readonly<Record<string, string>>;
}

/** A server on a store of n such listings: in SQLite, or in an empty PostgreSQL database by its address. */
export async function startOnStore(n: number, database?: string, change: StoreChange = {}): Promise<StartedServer> {
  const folder = mkdtempSync(join(tmpdir(), 'plindo-bench-'));
  const token = await fill(database ?? join(folder, 'plindo.sqlite'), n, change);
  let server: TestServer | null = null;
  const start = (): Promise<number> =>
    timed(async () => (server = await TestServer.start(folder, database, change.environment)));
  const firstReadyMs = await start();
  await server!.end();
  const readyMs = await start();
  return { server: server!, readyMs, firstReadyMs, token };
}

/** The reference of a start: milliseconds in which the driver alone reads all rows and their values are parsed. */
export async function bareReading(folder: string, n: number): Promise<number> {
  return timed(async () => {
    const database = new sqlite3.Database(join(folder, 'plindo.sqlite'), sqlite3.OPEN_READONLY);
    let read = 0;
    for (let after = 0; read < n; read += LISTINGS_AT_ONCE, after += LISTINGS_AT_ONCE) {
      const rows = await new Promise<{ values: string }[]>((resolve, reject) => {
        const select = 'SELECT * FROM listings WHERE id > ? ORDER BY id LIMIT ?';
        database.all<{ values: string }>(select, [after, LISTINGS_AT_ONCE], (error, found) =>
          error ? reject(error) : resolve(found),
        );
      });
      for (const row of rows) JSON.parse(row.values);
    }
    await new Promise((resolve) => database.close(resolve));
  });
}

async function fill(database: string, n: number, { expiry, contentAt }: StoreChange): Promise<string> {
  const clock = (): Date => new Date();
  const store = await Store.open(database, clock);
  const owner = await addOwner(store, clock);
  const definition = kindOfImport(
    { slug: 'berths', one: 'Berth', many: 'Berths', fields: FIELDS, published: true, ...(expiry && { expiry }) },
    new SiteWords('en-GB'),
  );
  const { result: kind } = await store.change(null, async (unit) => {
    return { sentence: 'Added', result: await unit.insertKind(definition) };
  });
  for (let start = 0; start < n; start += LISTINGS_AT_ONCE) {
    const count = Math.min(LISTINGS_AT_ONCE, n - start);
    const listings = Array.from({ length: count }, (_, at) => ({
      ...listingAt(start + at),
      ...contentAt?.(start + at),
    }));
    await store.change(null, async (unit) => {
      await unit.insertListings(kind.id, listings);
      return { sentence: 'Filled', result: null };
    });
  }
  const secret = await addToken(store, clock, owner);
  await store.close();
  return secret;
}

function listingAt(at: number): ListingContent {
  const pick = <T>(from: readonly T[], step: number): T => from[(at * step + (at >>> 3)) % from.length]!;
  const keyOf = (label: string): string => label.toLowerCase().replaceAll(' ', '_');
  const dayOf = (step: number): string => {
    const day = new Date(Date.UTC(2000, 0, 1) + ((at * step) % 9000) * 86_400_000);
    return day.toISOString().slice(0, 10);
  };
  const words = Array.from({ length: WORDS_A_DESCRIPTION }, (_, place) => WORDS[wordAt(at, place)]!);
  const values = {
    code: `B-${String(at).padStart(7, '0')}`,
    keeper: `${pick(WORDS, 3)} ${pick(WORDS, 11)}`,
    description: words.join(' '),
    type: keyOf(pick(TYPES, 1)),
    basin: keyOf(pick(WORDS.slice(0, 40), 7)),
    bottom: keyOf(pick(WORDS.slice(40, 46), 5)),
    services: SERVICES.filter((_, bit) => ((at * 2654435761) >>> (8 + bit)) & 1).map(keyOf),
    season: [keyOf(pick(WORDS.slice(50, 54), 3))],
    lit: at % 3 !== 0,
    guarded: at % 5 === 0,
    number: at % 1000,
    seats: (at * 7) % 12,
    draught: ((at * 13) % 60) / 10,
    price: { minor: 1000 + ((at * 37) % 90_000), currency: 'EUR' },
    length: { value: 5 + ((at * 13) % 200) / 10, unit: 'm' },
    since: dayOf(17),
    checked: dayOf(5),
    rating: (at % 11) / 2,
    page: `https://berth-${at}.example/`,
    mail: `keeper-${at}@example.org`,
  };
  const title = `${pick(WORDS, 5)} ${pick(WORDS, 13)} ${at}`;
  return { ...BLANK_CONTENT, slug: `berth-${at}`, title, status: 'live', values };
}

/** Words are as uneven as in a language: a few stand nearly everywhere, most rarely (after Zipf). */
function wordAt(at: number, place: number): number {
  const mixed = Math.imul(at * 31 + place + 1, 2654435761) >>> 0;
  return Math.floor(WORDS.length ** (mixed / 2 ** 32)) - 1;
}
