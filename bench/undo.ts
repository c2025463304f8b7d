import { TestServer } from '../e2e/harness/server.js';
import { Client } from '../e2e/trials/client.js';
import { Editor } from './editor.js';
import type { Benchmark, Measurement } from './measure.js';
import { timed } from './measure.js';

const ROWS_AT_ONCE = 500;
const DONE_IN_MS = 5000;
const WAIT_IN_MS = 300;
const MOST_IN_A_BATCH = 20_000;
const BATCH_SHARE = 10;

/** Large changes and their undoing, beside one listing's edit in the same run. */
export const undoBench: Benchmark = {
  about: 'undoing an import and a batch while somebody else edits; an edit with nothing else beside',
  sizes: [50_000],
  async run(n) {
    const server = await TestServer.start();
    try {
      const client = await Client.ofNewOwner(server.address, server.setupLink ?? '');
      const editor = await Editor.on(client);
      const importId = await bringIn(client, n);
      const own = new Measured(client, editor, n);
      const kindId = await own.kind();
      const { json } = await client.send('GET', `/api/kinds/${kindId}/listings?limit=1`);
      const parts = Array.from({ length: Math.min(MOST_IN_A_BATCH, Math.ceil(n / BATCH_SHARE)) }, (_, at) => ({
        id: (json.listings[0].id as number) + at,
        input: { summary: 'Changed by a batch' },
      }));
      const batch = await own.change('a batch', parts.length, 'POST', `/api/kinds/${kindId}/batch`, { parts });
      const back = await own.undo('its undoing', parts.length, batch);
      await own.undo('and doing it again', parts.length, back);
      const gone = await own.undo('undoing the import', n, importId);
      if ((await own.kind()) !== 0) throw new Error('The kind is still there.');
      await own.undo('and bringing it back', n, gone);
      if ((await own.kind()) !== kindId) throw new Error('The kind did not come back.');
      return own.rows;
    } finally {
      await server.stop();
    }
  },
};

async function bringIn(client: Client, n: number): Promise<number> {
  const kind = { one: 'Boat', many: 'Boats', slug: 'boats', fields: [] };
  const start = { fileName: 'boats.csv', rows: n, policy: 'refuse-row', kind };
  const { json: begun } = await client.send('POST', '/api/imports', start);
  for (let offset = 0; offset < n; offset += ROWS_AT_ONCE) {
    const rows = Array.from({ length: Math.min(ROWS_AT_ONCE, n - offset) }, (_, at) => ({
      line: offset + at + 2,
      input: { title: `Boat ${offset + at}`, summary: 'A boat among many', status: 'live' },
    }));
    const { status } = await client.send('POST', `/api/imports/${begun.id as number}/rows`, { offset, rows });
    if (status !== 200) throw new Error('The import failed.');
  }
  await client.send('POST', `/api/imports/${begun.id as number}/finish`);
  return begun.id as number;
}

/** Changes that are measured, each with the longest edit meanwhile. */
class Measured {
  readonly rows: Measurement[] = [];

  constructor(
    private readonly client: Client,
    private readonly editor: Editor,
    private readonly n: number,
  ) {}

  /** The number of the kind that came in; 0 for none. */
  async kind(): Promise<number> {
    const { json } = await this.client.send('GET', '/api/kinds');
    const kinds = json as { kind: { id: number; slug: string } }[];
    return kinds.find(({ kind }) => kind.slug === 'boats')?.kind.id ?? 0;
  }

  undo(name: string, touched: number, changeId: number): Promise<number> {
    return this.change(name, touched, 'POST', `/api/changes/${changeId}/undo`);
  }

  /** Answers the number of the change. */
  async change(name: string, touched: number, method: string, path: string, body?: object): Promise<number> {
    const { client, editor } = this;
    editor.times.length = 0;
    editor.isStopped = false;
    const editing = editor.run();
    let changeId = 0;
    const oursMs = await timed(async () => {
      const { status, json } = await client.send(method, path, body);
      if (status !== 200) throw new Error(JSON.stringify(json));
      changeId = json.changeId as number;
    });
    editor.isStopped = true;
    await editing;
    const longest = Math.max(...editor.times);
    const reference = { reference: 'an edit alone', referenceMs: editor.aloneMs, n: this.n, hold: null, equal: true };
    const beside = (ms: number): Pick<Measurement, 'oursMs' | 'ratio'> => ({ oursMs: ms, ratio: ms / editor.aloneMs });
    this.rows.push(
      { ...reference, ...beside(oursMs), case: `${name}, ${touched} listings`, bound: DONE_IN_MS },
      { ...reference, ...beside(longest), case: `the longest edit during ${name}`, bound: WAIT_IN_MS },
    );
    return changeId;
  }
}
