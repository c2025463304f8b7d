import type { PageModel } from '@plindo/core/page';
import type { ListOnPage } from '@plindo/core/testing/list-on-page';
import { listOnPage } from '@plindo/core/testing/list-on-page';
import { Store, integrityFaults } from '@plindo/server/store/index';
import type { Acknowledged, TrialSite } from './acts.js';
import type { Client } from './client.js';

interface DumpedListing {
  readonly kind: string;
  readonly title: string;
  readonly status: string;
  readonly values: { readonly services?: readonly string[] };
}

/** What of a public page is compared. */
/** Everything of what was acknowledged that a store lacks, and everything half done in it, in sentences. */
export async function faultsInStore(database: string, told: Acknowledged): Promise<string[]> {
  const store = await Store.open(database, () => new Date());
  const faults: string[] = [];
  const numbers = async (select: string): Promise<number[]> =>
    (await store.ask<{ n: number }>(select)).map(({ n }) => Number(n));
  try {
    const done = new Set(await numbers(`SELECT "id" AS n FROM changes WHERE "state" = 'done'`));
    for (const id of told.changes) if (!done.has(id)) faults.push(`The acknowledged change ${id} is not in the log.`);
    const marks = await store.ask<{ id: number; undoneBy: number | null; sentence: string }>(
      `SELECT "id", "undoneBy", "sentence" FROM changes WHERE "state" = 'done'`,
    );
    const markedBy = new Map(
      marks.map(({ id, undoneBy }) => [Number(id), undoneBy === null ? null : Number(undoneBy)]),
    );
    for (const [id, by] of told.undone)
      if (markedBy.get(id) !== by) faults.push(`The undo ${by} of ${id} is unmarked.`);
    const marking = new Set([...markedBy.values()]);
    for (const { id, sentence } of marks) {
      if (sentence.startsWith('Undid: ') && !marking.has(Number(id))) faults.push(`The undo ${id} marks no change.`);
    }
    const notes = await store.ask<{ id: number; values: unknown }>('SELECT "id", "values" FROM listings');
    const found = new Map(notes.map(({ id, values }) => [Number(id), noteIn(values)]));
    for (const [id, wanted] of told.notes) {
      const note = found.get(id);
      if (note === undefined || !wanted.includes(note))
        faults.push(`Listing ${id} has “${note}”, not ${wanted.join(' or ')}.`);
    }
    const halves = await numbers(
      'SELECT i."id" AS n FROM imports i JOIN kinds k ON k."id" = i."kindId" WHERE k."importId" IS NULL AND ' +
        `(i."state" <> 'done' OR i."added" <> (SELECT count(*) FROM change_entries e ` +
        `WHERE e."changeId" = i."id" AND e."entity" = 'listing'))`,
    );
    for (const id of halves) faults.push(`The import ${id} is half done and shows.`);
    const gaps = await numbers('SELECT max("number") - count("number") AS n FROM changes');
    if (gaps[0] !== 0) faults.push(`The feed lacks ${gaps[0]} numbers.`);
    faults.push(...(await integrityFaults(database)));
  } finally {
    await store.close();
  }
  return faults;
}

function noteIn(values: unknown): string | undefined {
  const parsed = (typeof values === 'string' ? JSON.parse(values) : values) as { note?: string };
  return parsed.note;
}

/** Where the public pages of a server differ from a plain count over what its API dumps. */
export async function faultsOnPages(client: Client, { berths }: TrialSite): Promise<string[]> {
  const faults: string[] = [];
  const { json: dump } = await client.send('GET', '/api/blueprint?listings=yes');
  const listings = (dump.listings as DumpedListing[]).filter(({ status }) => status === 'live');
  const page = async (path: string): Promise<ListOnPage> =>
    listOnPage((await client.send('GET', `/api/page?url=${encodeURIComponent(path)}`)).json as PageModel);
  for (const slug of ['berths', 'harbours']) {
    const counted = listings.filter(({ kind }) => kind === slug).length;
    const { total } = await page(`/${slug}`);
    if (total !== counted) faults.push(`/${slug} tells ${total}, but ${counted} are there.`);
  }
  const { facets } = await page('/berths');
  const services = facets.find(({ key }) => key === 'services');
  const values = services && 'values' in services ? services.values : [];
  for (const { value, count } of values) {
    const counted = listings.filter(
      ({ kind, values: own }) => kind === 'berths' && own.services?.includes(value),
    ).length;
    if (count !== counted) faults.push(`The facet tells ${count} with ${value}, but ${counted} have it.`);
  }
  if (values.length === 0) faults.push('The page of berths has no facet to compare.');
  const { json: table } = await client.send('GET', `/api/kinds/${berths}/listings?limit=1`);
  const inDump = (dump.listings as DumpedListing[]).filter(
    ({ kind, status }) => kind === 'berths' && status !== 'binned',
  );
  if (table.total !== inDump.length) faults.push(`The table tells ${table.total}, but ${inDump.length} are there.`);
  return faults;
}
