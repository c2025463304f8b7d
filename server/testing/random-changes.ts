import fc from 'fast-check';
import type { Sender } from './test-api.js';

/** An act of somebody in the Desk: which of a list, and with which numbers. */
export type Step = readonly [act: number, a: number, b: number];

const KINDS = [
  { one: 'Harbour', many: 'Harbours', slug: 'harbours', fields: [] },
  {
    one: 'Yard',
    many: 'Yards',
    slug: 'yards',
    fields: [
      { key: 'size', label: 'Size', type: 'short-text' },
      { key: 'services', label: 'Services', type: 'categories', settings: { set: 1 } },
    ],
  },
];

/** Some acts, one after the other. */
export const SOME_STEPS: fc.Arbitrary<Step[]> = fc.array(fc.tuple(fc.nat(10), fc.nat(3), fc.nat(3)), {
  minLength: 3,
  maxLength: 9,
});

/** Two kinds with a category set, a link and a few listings, for acts to begin with. */
export async function fillForActs(owner: Sender): Promise<void> {
  const category = (key: string): object => ({
    key,
    label: key,
    parent: null,
    icon: '',
    colour: '',
    text: '',
    formerKeys: [],
  });
  await owner.send('POST', '/api/category-sets', {
    slug: 's',
    label: 'Services',
    categories: ['hull', 'mast'].map(category),
  });
  for (const kind of KINDS) await owner.send('POST', '/api/kinds', kind);
  const end = (kindId: number, label: string): object => ({ kindId, label, many: true });
  await owner.send('POST', '/api/links', { a: end(2, 'Serves'), b: end(1, 'Served by'), hasNotes: true });
  for (const title of ['H1', 'H2']) await owner.send('POST', '/api/kinds/1/listings', { title });
  for (const [title, size] of [
    ['Y1', '12'],
    ['Y2', 'large'],
  ]) {
    await owner.send('POST', '/api/kinds/2/listings', { title, values: { size, services: ['hull'], serves: [1] } });
  }
}

/** Does one thing; null when it was refused, as some things are after others. */
export async function act(owner: Sender, [which, a, b]: Step): Promise<number | null> {
  const { json: kinds } = await owner.send('GET', '/api/kinds');
  const versionOf = (id: number): number =>
    kinds.find(({ kind }: { kind: { id: number } }) => kind.id === id)?.kind.version ?? 0;
  const field = (type: string): object => ({ key: 'size', label: 'Size', type });
  const listing = (await owner.send('GET', `/api/listings/${a + 1}`)).json as { version?: number };
  const set = (await owner.send('GET', '/api/category-sets')).json[0]?.set;
  const sends: (() => ReturnType<Sender['send']>)[] = [
    () => owner.send('PATCH', `/api/listings/${a + 1}`, { version: listing.version, title: `T${b}`, body: 'x' }),
    () => owner.send('POST', '/api/kinds/2/listings', { title: `N${a}`, values: { serves: [1 + (b % 2)] } }),
    () =>
      owner.send('POST', '/api/kinds/2/type-change', {
        version: versionOf(2),
        field: field(b % 2 ? 'decimal' : 'long-text'),
      }),
    () =>
      owner.send('POST', '/api/kinds/2/rename-key', {
        version: versionOf(2),
        from: b % 2 ? 'size' : 'extent',
        to: b % 2 ? 'extent' : 'size',
      }),
    () =>
      owner.send('PATCH', `/api/listings/${1 + (a % 2)}`, {
        version: listing.version,
        values: { served_by: b % 2 ? [3, 4] : [4] },
      }),
    () => {
      const { id, ...sent } = set;
      const [kept, gone] = sent.categories;
      const merged = gone ? [{ ...kept, formerKeys: [gone.key] }] : sent.categories;
      return owner.send('PUT', `/api/category-sets/${id}`, { ...sent, categories: merged });
    },
    () => owner.send('DELETE', '/api/links/1'),
    () => owner.send('DELETE', `/api/kinds/${1 + (a % 2)}`),
    () => owner.send('POST', `/api/kinds/${a < 2 ? 1 : 2}/hand-order`, { id: a + 1, ...(b % 2 && { after: a }) }),
    () => owner.send('PATCH', `/api/listings/${a + 1}`, { version: listing.version, status: 'binned' }),
    () => owner.send('DELETE', `/api/kinds/${1 + (a % 2)}/bin`),
  ];
  const { status, json } = await sends[which]!();
  if (status === 200) return json.changeId as number;
  // A refusal says what it refuses; anything else is a fault of the program, whatever was sent.
  if (status < 400 || status >= 500)
    throw new Error(`Act ${which} was answered with ${status}: ${JSON.stringify(json)}`);
  return null;
}

/** Does the steps; answers the changes that they made, first first. */
export async function actAll(owner: Sender, steps: readonly Step[]): Promise<number[]> {
  const done: number[] = [];
  for (const step of steps) {
    const changeId = await act(owner, step);
    if (changeId !== null) done.push(changeId);
  }
  return done;
}

/** Undoes changes, last first. */
export async function undoAll(owner: Sender, changes: readonly number[]): Promise<void> {
  for (const changeId of [...changes].reverse()) {
    const { status, json } = await owner.send('POST', `/api/changes/${changeId}/undo`);
    if (status !== 200) throw new Error(`An undo was refused: ${JSON.stringify(json)}`);
  }
}
