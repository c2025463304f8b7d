import { makeFacet } from '@plindo/core/structure';
import type { Answer, Client } from './client.js';

/** What was acknowledged: that it must be there afterwards, and what it was. */
export interface Acknowledged {
  /** Numbers of changes. */
  readonly changes: Set<number>;
  /** By the number of an undone change, that of the change that undid it. */
  readonly undone: Map<number, number>;
  /** By listing, the notes that it may have: the last acknowledged one, and those that were sent since. */
  readonly notes: Map<number, string[]>;
  /** Refused, by the code of the refusal; and answers that a server must never give. */
  readonly refused: Map<string, number>;
  readonly wrong: string[];
}

export function nothingAcknowledged(): Acknowledged {
  return { changes: new Set(), undone: new Map(), notes: new Map(), refused: new Map(), wrong: [] };
}

const FACILITIES = ['water', 'power', 'fuel'];
const LISTINGS_AN_ACTOR = 8;
const ROWS_AN_IMPORT = 60;
const ROWS_A_BATCH = 20;

export interface TrialSite {
  readonly harbours: number;
  readonly berths: number;
  readonly set: number;
}

/** Two linked kinds with a category set and some listings, for acts to begin with. */
export async function makeSite(client: Client): Promise<TrialSite> {
  const made = async (path: string, body: object): Promise<number> => {
    const { status, json } = await client.send('POST', path, body);
    if (status !== 200) throw new Error(`${path}: ${status} ${JSON.stringify(json)}`);
    return json.result.id as number;
  };
  const category = (key: string): object => {
    return { key, label: key, parent: null, icon: '', colour: '', text: '', formerKeys: [] };
  };
  const set = await made('/api/category-sets', { slug: 's', label: 'Services', categories: FACILITIES.map(category) });
  const kind = { published: true, startStatus: 'live' };
  const harbours = await made('/api/kinds', {
    ...kind,
    one: 'Harbour',
    many: 'Harbours',
    slug: 'harbours',
    fields: [],
  });
  const fields = [
    { key: 'note', label: 'Note', type: 'short-text' },
    { key: 'code', label: 'Code', type: 'reference', settings: { pattern: 'B-####' } },
    { key: 'services', label: 'Services', type: 'categories', settings: { set } },
  ];
  const facets = [makeFacet({ key: 'services', label: 'Services', field: 'services' })];
  const berth = { ...kind, one: 'Berth', many: 'Berths', slug: 'berths', fields, facets };
  const berths = await made('/api/kinds', berth);
  const end = (kindId: number, label: string): object => ({ kindId, label, many: true });
  await made('/api/links', { a: end(berths, 'Harbour'), b: end(harbours, 'Berths'), hasNotes: false });
  for (let at = 0; at < 5; at++) await made(`/api/kinds/${harbours}/listings`, { title: `Harbour ${at}` });
  return { harbours, berths, set };
}

/** On a slow machine there are few turns before a kill; something is taken back in any case. */
const FIRST_UNDO_AT = 3;

/** Somebody who edits, adds, links, merges, imports and undoes, one thing after the other, until told to stop. */
export class Actor {
  private own: { id: number; version: number }[] = [];
  private latest: number | null = null;
  private turn = 0;
  isStopped = false;

  constructor(
    private readonly name: string,
    private readonly client: Client,
    private readonly site: TrialSite,
    private readonly told: Acknowledged,
    private readonly random: () => number,
  ) {}

  async run(): Promise<void> {
    const { berths } = this.site;
    while (!this.isStopped) {
      this.turn++;
      const dice = this.random();
      if (this.turn === FIRST_UNDO_AT) await this.undo();
      else if (this.own.length < LISTINGS_AN_ACTOR || dice < 0.1) await this.add(berths);
      else if (dice < 0.6) await this.edit();
      else if (dice < 0.75) await this.link();
      else if (dice < 0.85) await this.undo();
      else if (dice < 0.95) await this.changeCategories();
      else await this.import();
    }
  }

  private async add(kind: number): Promise<void> {
    const note = this.mark();
    const services = [this.pick(FACILITIES)];
    const sent = { title: `Berth ${note}`, values: { note, services } };
    const answer = await this.tell(await this.client.send('POST', `/api/kinds/${kind}/listings`, sent));
    if (answer.status !== 200) return;
    const { id, version } = answer.json.result as { id: number; version: number };
    this.own = [...this.own, { id, version }].slice(-LISTINGS_AN_ACTOR);
    this.told.notes.set(id, [note]);
  }

  private async edit(): Promise<void> {
    const one = this.pick(this.own);
    const note = this.mark();
    this.told.notes.get(one.id)?.push(note);
    const sent = { version: one.version, values: { note } };
    const answer = await this.tell(await this.client.send('PATCH', `/api/listings/${one.id}`, sent));
    if (answer.status === 200) {
      one.version = answer.json.result.version as number;
      this.told.notes.set(one.id, [note]);
    } else if (answer.status !== 0) await this.see(one);
  }

  private async link(): Promise<void> {
    const one = this.pick(this.own);
    const harbour = [1 + Math.floor(this.random() * 5)];
    const sent = { version: one.version, values: { harbour } };
    const answer = await this.tell(await this.client.send('PATCH', `/api/listings/${one.id}`, sent));
    if (answer.status === 200) one.version = answer.json.result.version as number;
    else if (answer.status !== 0) await this.see(one);
  }

  private async undo(): Promise<void> {
    const { latest } = this;
    this.latest = null;
    if (latest === null) return;
    // From now on it may be taken back or not, as long as nobody has looked.
    const seen = this.own.map(({ id }) => [id, this.told.notes.get(id)] as const);
    for (const [id] of seen) this.told.notes.delete(id);
    const answer = await this.tell(await this.client.send('POST', `/api/changes/${latest}/undo`));
    if (answer.status === 200) this.told.undone.set(latest, answer.json.changeId as number);
    else if (answer.status !== 0) for (const [id, notes] of seen) if (notes) this.told.notes.set(id, notes);
    for (const one of [...this.own]) await this.see(one);
  }

  /** Adds a category and merges it into one that was there. */
  private async changeCategories(): Promise<void> {
    const path = `/api/category-sets/${this.site.set}`;
    const added = await this.tell(
      await this.client.send('POST', `${path}/categories`, { label: `More ${this.mark()}` }),
    );
    if (added.status !== 200) return;
    const { id: _, ...set } = added.json.result as { id: number; categories: { key: string; formerKeys: string[] }[] };
    const gone = set.categories.at(-1)!;
    const categories = set.categories
      .slice(0, -1)
      .map((one) => (one.key === 'water' ? { ...one, formerKeys: [...one.formerKeys, gone.key].slice(-20) } : one));
    await this.tell(await this.client.send('PUT', path, { ...set, categories }));
  }

  private async import(): Promise<void> {
    const mark = this.mark();
    const fields = [{ key: 'note', label: 'Note', type: 'short-text' }];
    const kind = { one: `Thing ${mark}`, many: `Things ${mark}`, slug: `things-${mark}`, fields };
    const start = { fileName: `${mark}.csv`, rows: ROWS_AN_IMPORT, policy: 'refuse-row', kind };
    const begun = await this.tell(await this.client.send('POST', '/api/imports', start));
    if (begun.status !== 200) return;
    const id = begun.json.id as number;
    for (let offset = 0; offset < ROWS_AN_IMPORT; offset += ROWS_A_BATCH) {
      const rows = Array.from({ length: ROWS_A_BATCH }, (_, at) => {
        return { line: offset + at + 2, input: { title: `Row ${offset + at}`, values: { note: mark } } };
      });
      const sent = await this.tell(await this.client.send('POST', `/api/imports/${id}/rows`, { offset, rows }));
      if (sent.status !== 200) return;
    }
    const done = await this.tell(await this.client.send('POST', `/api/imports/${id}/finish`));
    if (done.status === 200) this.told.changes.add(id);
  }

  /** Looks again at a listing that somebody else has changed, or that an undo has taken away. */
  private async see(one: { id: number; version: number }): Promise<void> {
    const { status, json } = await this.client.send('GET', `/api/listings/${one.id}`);
    if (status === 200) {
      one.version = json.version as number;
      this.told.notes.set(one.id, [json.values.note as string]);
    } else if (status === 404) {
      this.own = this.own.filter((other) => other !== one);
      this.told.notes.delete(one.id);
    }
  }

  private tell(answer: Answer): Promise<Answer> {
    const { status, json } = answer;
    if (status === 200 && typeof json?.changeId === 'number') {
      this.told.changes.add(json.changeId as number);
      this.latest = json.changeId as number;
    }
    const code = String(json?.code ?? '');
    if (status >= 500 && status !== 503) this.told.wrong.push(`${status} ${code}`);
    else if (status >= 400) this.told.refused.set(code, (this.told.refused.get(code) ?? 0) + 1);
    return Promise.resolve(answer);
  }

  private mark(): string {
    return `${this.name}-${this.turn}-${Math.floor(this.random() * 1e6)}`;
  }

  private pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)]!;
  }
}

/** Numbers from 0 to 1 that are the same for the same seed. (Park and Miller, 1988.) */
export function randomFrom(seed: number): () => number {
  let state = (seed % 2_147_483_646) + 1;
  return () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
}
