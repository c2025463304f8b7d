import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Kind } from '../../structure/index.js';
import { makeField } from '../../structure/index.js';
import type { KeptPage, PageCheckScene, PageSketch } from '../index.js';
import {
  checkPage,
  designWithKeyRenamed,
  fieldsOfDesign,
  makePage,
  piecesOfPage,
  slotOfField,
  standardIndexPage,
  steeredLists,
} from '../index.js';

const berth: Kind = makeKind([
  makeField({ key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } }),
]);
const kindById = (id: number): Kind | undefined => (id === 1 ? berth : undefined);
const scene: PageCheckScene = {
  ...{
    kind: berth,
    kindById,
    context: contextIn(),
    isSelection: (id) => id === 7,
    partOf: () => undefined,
    formOf: () => undefined,
  },
  isTaken: () => false,
};
type Pieces = PageSketch['strips'][number]['columns'][number]['pieces'];
const page = (serves: 'home' | 'index', pieces: Pieces) =>
  makePage({ name: 'Page', serves, strips: [{ name: 'Strip', columns: [{ pieces }] }] });
const reasons = (serves: 'home' | 'index', pieces: Pieces): string[] =>
  checkPage(page(serves, pieces), { ...scene, kind: serves === 'index' ? berth : null }).map(
    ({ message }) => message.split(': ')[1] ?? message,
  );

describe('A page with lists that visitors steer', () => {
  it('is let through as a kind has it by itself, and with several lists that have names', () => {
    expect(checkPage(standardIndexPage('Berths', { intro: 'All of them' }), scene)).toEqual([]);
    const several: Pieces = [
      { type: 'facets', settings: { area: 'yards' } },
      { type: 'list', settings: { from: 'kind', of: 1, steered: true, name: 'yards' } },
      { type: 'list', settings: { from: 'selection', of: 7, steered: true } },
      { type: 'list', settings: { from: 'kind', of: 1 } },
    ];
    expect(reasons('home', several)).toEqual([]);
    expect(steeredLists(page('home', several)).map(({ settings }) => settings.name)).toEqual(['yards', '']);
  });

  it('says of each piece that steers nothing, and of each list that cannot be told from another', () => {
    expect(reasons('home', [{ type: 'search' }, { type: 'list', settings: { from: 'page' } }])).toEqual([
      'this page is not about a list.',
    ]);
    expect(reasons('home', [{ type: 'sort' }])).toEqual(['this page has no list that visitors can steer.']);
    const twice: Pieces = [
      { type: 'list', settings: { from: 'page' } },
      { type: 'list', settings: { from: 'kind', of: 1, steered: true } },
      { type: 'list', settings: { from: 'kind', of: 1, steered: true, name: 'Not a name' } },
      { type: 'pager', settings: { area: 'other' } },
    ];
    expect(reasons('index', twice)).toEqual([
      'another list of the page has no name either.',
      'another list of the page has no name either.',
      'its name may hold small letters, digits and hyphens.',
      'there is no list “other” on this page.',
    ]);
    expect(reasons('home', [{ type: 'list', settings: { from: 'linked', fields: ['x'], steered: true } }])).toContain(
      'visitors can steer the list of the page, of a kind or of a selection only.',
    );
  });

  it('shows nothing of one listing, as it has none', () => {
    expect(reasons('index', [{ type: 'text', settings: { slots: [slotOfField('price')] } }])).toEqual([
      'it shows something of a listing, and this page has none.',
    ]);
  });
});

describe('The columns of a table on a page', () => {
  const columns = [slotOfField('price')];
  const kept = (serves: 'home' | 'index', from: 'kind' | 'page'): KeptPage => ({
    ...{ id: 3, version: 1, type: 'page', kindId: serves === 'index' ? 1 : null, position: 1 },
    definition: page(serves, [{ type: 'list', settings: { from, of: 1, layout: 'table', columns } }]),
  });

  it('are checked by the kind that is listed, whichever page they stand on', () => {
    const gone = [slotOfField('gone')];
    expect(
      reasons('home', [{ type: 'list', settings: { from: 'kind', of: 1, layout: 'table', columns: gone } }]),
    ).toEqual([jasmine.stringContaining('gone')]);
    expect(reasons('index', [{ type: 'list', settings: { from: 'page', layout: 'table', columns: gone } }])).toEqual([
      jasmine.stringContaining('gone'),
    ]);
  });

  it('count as uses of their fields, and follow a key that is renamed', () => {
    for (const design of [kept('home', 'kind'), kept('index', 'page')]) {
      expect(fieldsOfDesign(design, kindById)).toEqual([{ kindId: 1, field: 'price' }]);
      const renamed = designWithKeyRenamed(design, { kindId: 1, from: 'price', to: 'fee' }, kindById);
      const [list] = piecesOfPage(renamed.definition);
      expect(list?.type === 'list' && list.settings.columns[0]?.text).toEqual([
        jasmine.objectContaining({ field: 'fee' }),
      ]);
    }
  });
});
