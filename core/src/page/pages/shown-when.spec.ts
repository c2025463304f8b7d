import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import type { PageDesign, ShownWhen, Viewer } from '../../design/index.js';
import { makePage, makeText, piecesOfPage, withParts } from '../../design/index.js';
import type { PageSketch } from '../../design/index.js';
import { makeField } from '../../structure/index.js';
import { areasOfPage, listNamedByKind } from '../areas/list-area.js';
import { pageForCategory } from './designed-page.js';
import { dependsOnViewer, screensOf, shownOf } from './shown-when.js';

const berth = makeKind([]);
const listing = makeListing({ id: 1, title: 'Quay', summary: 'Dry' });
const context = contextIn();
const shown = {
  ...{ listing, kind: berth, context, kindById: () => berth, linked: () => undefined, distance: '' },
};
const words = (text: string, when: Partial<ShownWhen> = {}) =>
  ({ type: 'heading', settings: { text: makeText([text]) }, ...when }) as const;
type Column = PageSketch['strips'][number]['columns'][number];
const pageOf = (...pieces: Column['pieces']): PageDesign =>
  makePage({ name: 'P', serves: 'listing', strips: [{ columns: [{ pieces }] }] });
const wordsOn = (page: PageDesign): string[] =>
  piecesOfPage(page).flatMap((piece) =>
    piece.type === 'heading' ? piece.settings.text.map((part) => ('words' in part ? part.words : '')) : [],
  );

describe('What of a page is shown', () => {
  const seenBy = (page: PageDesign, more: { viewer?: Viewer; categories?: string[] } = {}): string[] =>
    wordsOn(shownOf(page, { shown, areas: [], viewer: 'visitor', categories: [], ...more }));

  it('depends on the listing, the category and those above it, and who looks', () => {
    const page = pageOf(
      words('dry', { showWhen: { join: 'all', of: [{ field: '@summary', op: 'is', value: 'Dry' }] } }),
      words('wet', { showWhen: { join: 'all', of: [{ field: '@summary', op: 'is', value: 'Wet' }] } }),
      words('hulls', { categories: ['hull', 'mast'] }),
      words('office', { viewer: 'signed-in' }),
      words('guests', { viewer: 'visitor' }),
    );
    expect(seenBy(page)).toEqual(['dry', 'guests']);
    expect(seenBy(page, { viewer: 'signed-in', categories: ['paint', 'hull'] })).toEqual(['dry', 'hulls', 'office']);
    expect([dependsOnViewer(page), dependsOnViewer(pageOf(words('dry')))]).toEqual([true, false]);
  });

  it('depends on what is chosen in a facet of one of its lists', () => {
    const kind = makeKind([makeField({ key: 'status', label: 'Status', type: 'yes-no' })]);
    const own = listNamedByKind(buildCatalog(kind, [listing], 'en-GB'));
    const page = makePage({
      ...{ name: 'P', serves: 'index' },
      strips: [
        {
          columns: [
            {
              pieces: [
                { type: 'list', settings: { from: 'page' } },
                words('any', { chosen: [{ list: '', facet: 'status', values: [], not: false }] }),
                words('yes', { chosen: [{ list: '', facet: 'status', values: ['yes'], not: false }] }),
                words('not yes', { chosen: [{ list: '', facet: 'status', values: ['yes'], not: true }] }),
                words('other list', { chosen: [{ list: 'b', facet: 'status', values: [], not: false }] }),
              ],
            },
          ],
        },
      ],
    });
    const [area] = areasOfPage(
      page,
      { path: '/berths', search: '', own },
      {
        ...{ queries: { context, catalogOf: () => undefined, catalogs: () => [] }, selections: [] },
      },
    );
    const inState = (...values: string[]): string[] => {
      const choices = new Map(values.length > 0 ? [['status', { kind: 'values', values } as const]] : []);
      const areas = [{ ...area!, query: { ...area!.query, choices } }];
      return wordsOn(shownOf(page, { shown: null, areas, viewer: 'visitor', categories: [] }));
    };
    expect([inState(), inState('yes'), inState('no')]).toEqual([['not yes'], ['any', 'yes'], ['any', 'not yes']]);
  });
});

describe('What is hidden', () => {
  it('is on no page, a strip as a piece, and those who have signed in do not see it either', () => {
    const page = pageOf(words('seen'), words('hidden', { screens: 'none' }));
    const hidden = { ...page, strips: page.strips.map((strip) => ({ ...strip, screens: 'none' as const })) };
    for (const viewer of ['visitor', 'signed-in'] as const) {
      const scene = { shown: null, areas: [], viewer, categories: [] };
      expect(wordsOn(shownOf(page, scene))).toEqual(['seen']);
      expect(wordsOn(shownOf(hidden, scene))).toEqual([]);
    }
  });
});

describe('A part of pages', () => {
  const part = makePage({
    ...{ name: 'Office', serves: 'part' },
    strips: [
      { key: 'a', columns: [{ pieces: [words('call', { screens: 'narrow' })] }] },
      { key: 'b', tone: 'warm', columns: [{ pieces: [words('write')] }] },
    ],
  });
  const partOf = (id: number): PageDesign | undefined => (id === 7 ? part : undefined);
  const embedded = { type: 'part', settings: { of: 7 } } as const;

  it('brings its strips where it stands alone, and its pieces among others', () => {
    const alone = withParts(pageOf({ ...embedded, key: 'office' }), partOf);
    expect(alone.strips.map(({ key, tone }) => [key, tone])).toEqual([
      ['office.a', 'plain'],
      ['office.b', 'warm'],
    ]);
    const among = withParts(pageOf(words('first'), embedded, words('last')), partOf);
    expect([among.strips.length, wordsOn(among)]).toEqual([1, ['first', 'call', 'write', 'last']]);
    const keys = piecesOfPage(among).map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    const plain = pageOf(words('first'));
    expect(withParts(plain, partOf)).toBe(plain);
    expect(wordsOn(withParts(pageOf(words('first'), { type: 'part', settings: { of: 8 } }), partOf))).toEqual([
      'first',
    ]);
  });

  it('is shown when the place is into which it was embedded, on screens that both are for', () => {
    const page = withParts(pageOf({ ...embedded, viewer: 'signed-in', screens: 'wide' }), partOf);
    const seenBy = (viewer: Viewer): string[] => wordsOn(shownOf(page, { shown, areas: [], viewer, categories: [] }));
    expect([seenBy('visitor'), seenBy('signed-in')]).toEqual([[], ['call', 'write']]);
    expect(page.strips.map(screensOf)).toEqual(['wide', 'wide']);
    const among = withParts(pageOf(words('x'), { ...embedded, screens: 'wide' }), partOf);
    expect(piecesOfPage(among).map(screensOf)).toEqual([undefined, 'none', 'wide']);
  });
});

describe('The page of a category', () => {
  const pages = [[], ['hull'], ['paint', 'varnish']].map((categories) => ({
    definition: makePage({ name: categories.join(), serves: 'category', categories, strips: [] }),
  }));
  const serving = (...path: string[]): string | undefined => pageForCategory(pages, path)?.definition.name;

  it('is the one that names it, else the one of the nearest category above it, else that of all', () => {
    expect([serving('paint', 'hull'), serving('gloss', 'varnish', 'hull'), serving('fin', 'hull')]).toEqual([
      'paint,varnish',
      'paint,varnish',
      'hull',
    ]);
    expect([serving('mast'), pageForCategory(pages.slice(1), ['mast'])]).toEqual(['', null]);
  });
});
