import type { KeptCard } from '@plindo/core/design';
import { makeKindDefinition } from '@plindo/core/structure';
import { emptyDatabaseIn, removeDatabase, storeFolder } from '../../../testing/database.js';
import { insertion } from '../../../testing/insertion.js';
import { openDatabase } from '../database.js';
import { Store } from '../store.js';

const field = (key: string, onCard: boolean): object => ({ key, label: key, type: 'short-text', onCard });

describe('A store from before cards were designed', () => {
  let folder: string;
  let store: Store;

  beforeEach(async () => {
    folder = storeFolder();
    const address = await emptyDatabaseIn(folder);
    const before = await openDatabase(address, '0010-one-write-path');
    const { slug: _, ...boats } = makeKindDefinition({ slug: 'boats', one: 'Boat', many: 'Boats', parts: ['picture'] });
    const { slug: __, ...crews } = makeKindDefinition({ slug: 'crews', one: 'Crew', many: 'Crews', parts: [] });
    const fields = [field('sail', false), field('hull', true), field('port', true)];
    for (const [id, slug, definition] of [
      [1, 'boats', { ...boats, fields }],
      [2, 'crews', crews],
    ] as const) {
      await before.sequelize.query(insertion('kinds', { id, slug, version: 3, definition }));
    }
    await before.close();
    store = await Store.open(address, () => new Date(1000));
  });
  afterEach(async () => {
    await store.close();
    await removeDatabase(folder);
  });

  it('gives each kind a card that shows what its fields said, in their order', async () => {
    const { designs, kinds } = await store.structure();
    const cards = (designs as KeptCard[]).map(({ kindId, definition }) => ({
      kindId,
      name: definition.name,
      picture: definition.picture.stands,
      heading: definition.zones.heading.map(({ key }) => key),
      body: definition.zones.body.map(({ key }) => key),
    }));
    expect(cards).toEqual([
      {
        kindId: 1,
        name: 'Boat card',
        picture: 'above',
        heading: ['featured', 'title', 'distance'],
        body: ['hull', 'port'],
      },
      { kindId: 2, name: 'Crew card', picture: 'none', heading: ['featured', 'title', 'distance'], body: [] },
    ]);
    expect(kinds.map(({ version }) => version)).toEqual([3, 3]);
    expect(kinds[0]!.fields.some((own) => 'onCard' in own)).toBeFalse();
  });

  it('knows the names that are taken by these', async () => {
    expect(
      await store.ask(`SELECT "name", "ownerId" FROM taken_names WHERE "scope" = 'design' ORDER BY "name"`),
    ).toEqual([
      { name: 'card 1: boat card', ownerId: 1 },
      { name: 'card 2: crew card', ownerId: 2 },
    ]);
  });
});
