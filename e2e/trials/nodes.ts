import type { DesignedPage } from '@plindo/core/page';
import { TestServer } from '../harness/server.js';
import { makeSite, randomFrom } from './acts.js';
import { faultsOnPages } from './checks.js';
import type { Answer } from './client.js';
import { Client } from './client.js';
import { Store } from '@plindo/server/store/index';

const LISTINGS = 50;
const SEEN_IN_MS = 1000;

export interface NodesReport {
  readonly acknowledged: number;
  readonly conflicts: number;
  readonly faults: readonly string[];
}

/** Several clients edit the same listings through two nodes of one database; afterwards all agree, or it is told. */
export async function nodesTrial(
  database: string,
  seed: number,
  editsAClient: number,
  clients: number,
): Promise<NodesReport> {
  const random = randomFrom(seed);
  const first = await TestServer.start(undefined, database);
  const client = await Client.ofNewOwner(first.address, first.setupLink ?? '');
  const site = await makeSite(client);
  const ids: number[] = [];
  for (let at = 0; at < LISTINGS; at++) {
    const values = { note: 'new', services: ['water'] };
    const { json } = await client.send('POST', `/api/kinds/${site.berths}/listings`, { title: `Berth ${at}`, values });
    ids.push(json.result.id as number);
  }
  const second = await TestServer.start(undefined, database);
  const nodes = [client, client.at(second.address)];
  const acknowledged = new Map<number, { id: number; note: string }>();
  const faults: string[] = [];
  let conflicts = 0;

  const edit = async (name: string, turn: number, through: Client): Promise<void> => {
    const id = ids[Math.floor(random() * ids.length)]!;
    const seen = await through.send('GET', `/api/listings/${id}`);
    const note = `${name}-${turn}`;
    const sent = { version: seen.json?.version as number, values: { note } };
    const answer: Answer = await through.send('PATCH', `/api/listings/${id}`, sent);
    if (answer.status === 200) acknowledged.set(answer.json.changeId as number, { id, note });
    else if (answer.status === 409) conflicts++;
    else faults.push(`An edit was answered with ${answer.status} ${String(answer.json?.code)}.`);
  };
  await Promise.all(
    Array.from({ length: clients }, async (_, at) => {
      for (let turn = 0; turn < editsAClient; turn++) await edit(`c${at}`, turn, nodes[(at + turn) % 2]!);
    }),
  );
  await new Promise((resolve) => setTimeout(resolve, SEEN_IN_MS));
  for (const [at, node] of nodes.entries()) {
    const found = await faultsOnPages(node, site);
    faults.push(...found.map((fault) => `Node ${at + 1}: ${fault}`));
  }
  faults.push(...(await faultsOfLog(database, acknowledged)));
  faults.push(...(await faultsOfNotes(database, nodes, ids)));
  await Promise.all([first.stop(), second.stop()]);
  return { acknowledged: acknowledged.size, conflicts, faults };
}

/** Acknowledged edits that the log lacks, or has with another note. */
async function faultsOfLog(
  database: string,
  acknowledged: ReadonlyMap<number, { readonly id: number; readonly note: string }>,
): Promise<string[]> {
  const store = await Store.open(database, () => new Date());
  const faults: string[] = [];
  for (const [changeId, { id, note }] of acknowledged) {
    const entries = await store.log.entriesOf(changeId);
    const isThere = entries.some(
      (entry) => entry.entity === 'listing' && entry.id === id && entry.after?.values['note'] === note,
    );
    if (!isThere) faults.push(`The acknowledged edit “${note}” of listing ${id} is not in the log.`);
  }
  await store.close();
  return faults;
}

/** Listings whose public page on a node doesn't show what the store has. */
async function faultsOfNotes(database: string, nodes: readonly Client[], ids: readonly number[]): Promise<string[]> {
  const store = await Store.open(database, () => new Date());
  const faults: string[] = [];
  for (const listing of await store.listings(ids)) {
    for (const [at, node] of nodes.entries()) {
      const { json } = await node.send('GET', `/api/page?url=${encodeURIComponent(`/berths/${listing.slug}`)}`);
      const shown = textOfSlot(json as DesignedPage, 'note');
      if (shown !== listing.values['note']) {
        faults.push(
          `Node ${at + 1} shows “${shown}” for listing ${listing.id}, not “${String(listing.values['note'])}”.`,
        );
      }
    }
  }
  await store.close();
  return faults;
}

/** What stands in a slot among the values of a page; undefined where there is none. */
function textOfSlot({ strips }: DesignedPage, key: string): string | undefined {
  const pieces = strips.flatMap(({ columns }) => columns.flatMap((column) => column.pieces));
  const slots = pieces.flatMap((piece) => (piece.type === 'values' ? piece.slots : []));
  return slots.find(({ form }) => form.key === key)?.value.text;
}
