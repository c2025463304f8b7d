import { STARTER_FORMAT, STARTER_VERSION, makeCard, makePage, slotOfField } from '@plindo/core/design';
import { TestApi } from '../../testing/test-api.js';
import type { Sender } from '../../testing/test-api.js';

describe('Starters in files', () => {
  let api: TestApi;
  let editor: Sender;

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('editor');
    editor = await api.signIn('editor');
  });
  afterAll(() => api.stop());

  const about = {
    ...{ format: STARTER_FORMAT, version: STARTER_VERSION, kind: 'Cabins' },
    fields: [{ key: 'price', label: 'Price', type: 'money' }],
  };
  const card = makeCard({ name: 'Card', zones: { heading: [slotOfField('@title')], foot: [slotOfField('price')] } });
  const page = makePage({
    ...{ name: 'Page', serves: 'listing' },
    strips: [{ columns: [{ pieces: [{ type: 'values', settings: { slots: [slotOfField('price')] } }] }] }],
  });
  const check = (file: object) => editor.send('POST', '/api/starter-files/check', file);

  it('come back as they are where they can be taken', async () => {
    for (const design of [{ type: 'card', definition: card } as const, { type: 'page', definition: page } as const]) {
      const { status, json } = await check({ ...about, ...design });
      expect([status, json]).toEqual([200, { ...about, ...design }]);
    }
  });

  it('are refused with what is wrong in them and where', async () => {
    const wrong: readonly (readonly [file: object, told: RegExp])[] = [
      [{ ...about, format: 'another', type: 'card', definition: card }, /format/],
      [{ ...about, version: 2, type: 'card', definition: card }, /version/],
      [{ ...about, type: 'look', definition: card }, /type/],
      [{ ...about, type: 'card', definition: card, more: 1 }, /more/],
      [{ ...about, fields: [{ key: 'price', label: 'Price', type: 'gold' }], type: 'card', definition: card }, /type/],
      [
        { ...about, type: 'page', definition: { ...page, strips: [{ columns: [{ pieces: [{ type: 'x' }] }] }] } },
        /strips.1.columns.1.pieces.1.type/,
      ],
      [{ ...about, type: 'page', definition: null }, /definition/],
      [{}, /format/],
    ];
    for (const [file, told] of wrong) {
      const { status, json } = await check(file);
      // The first ones are no such document, the page is one that cannot be read.
      expect([400, 422]).withContext(JSON.stringify(file).slice(0, 120)).toContain(status);
      expect(JSON.stringify(json.issues)).toMatch(told);
    }
  });
});
