import fc from 'fast-check';
import { SOME_STEPS, actAll, fillForActs, undoAll } from '../../testing/random-changes.js';
import type { Sender } from '../../testing/test-api.js';
import { TestApi } from '../../testing/test-api.js';

async function signedIn(api: TestApi): Promise<Sender> {
  await api.addUser('owner');
  return api.signIn('owner');
}

/** Everything that a site holds, as text. */
async function stateOf(owner: Sender): Promise<string> {
  return JSON.stringify((await owner.send('GET', '/api/blueprint?listings=yes')).json);
}

/** The same document with the properties of each object in one order, since theirs means nothing between two sites. */
function inOneOrder(text: string): string {
  const sorted = (_: string, value: unknown): unknown => {
    const isPlain = typeof value === 'object' && value !== null && !Array.isArray(value);
    return isPlain ? Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1))) : value;
  };
  return JSON.stringify(JSON.parse(text), sorted);
}

/** Thrown, not expected: after a sequence that fails, no other one can be judged. */
function mustBe(found: string, wanted: string, what: string): void {
  if (found !== wanted) throw new Error(`${what}: ${found} instead of ${wanted}`);
}

describe('Whatever was done', () => {
  let api: TestApi;
  let owner: Sender;
  let before: string;

  beforeEach(async () => {
    api = await TestApi.start();
    owner = await signedIn(api);
    await fillForActs(owner);
    before = await stateOf(owner);
  });

  afterEach(() => api.stop());

  it('undoing it, last first, leads back exactly to what was there', async () => {
    await fc.assert(
      fc.asyncProperty(SOME_STEPS, async (steps) => {
        await undoAll(owner, await actAll(owner, steps));
        mustBe(await stateOf(owner), before, 'It is not as it was');
      }),
      { numRuns: 10, endOnFailure: true },
    );
    expect(await stateOf(owner)).toEqual(before);
  }, 60_000);

  it('its blueprint gives an equal one on an empty site, and undoing that leaves the site empty', async () => {
    await fc.assert(
      fc.asyncProperty(SOME_STEPS, async (steps) => {
        const done = await actAll(owner, steps);
        const blueprint = await stateOf(owner);
        const other = await TestApi.start();
        const there = await signedIn(other);
        const empty = await stateOf(there);
        const applied = await there.send('POST', '/api/blueprint', JSON.parse(blueprint));
        if (applied.status !== 200) throw new Error(`It was refused: ${JSON.stringify(applied.json)}`);
        mustBe(inOneOrder(await stateOf(there)), inOneOrder(blueprint), 'The blueprint is another one');
        await undoAll(there, [applied.json.changeId as number]);
        mustBe(await stateOf(there), empty, 'The site is not empty');
        await other.stop();
        await undoAll(owner, done);
      }),
      { numRuns: 8, endOnFailure: true },
    );
    expect(await stateOf(owner)).toEqual(before);
  }, 90_000);
});
