import { contextIn, makeKind } from '../../../testing/builders.js';
import type { Field, Kind } from '../../structure/index.js';
import { makeFacet, makeField } from '../../structure/index.js';
import type { PageDesign } from '../index.js';
import {
  PAGE_STARTERS,
  afterStep,
  beginPage,
  checkPage,
  lackingFor,
  makePage,
  pageOfStarter,
  pageStartersFor,
  piecesOfPage,
  reversed,
} from '../index.js';

const field = (key: string, type: Field['type'], more: Partial<Field> = {}): Field =>
  makeField({ key, label: key, type, ...more });
const kindOf = (one: string, fields: readonly Field[], given: Partial<Kind> = {}): Kind => ({
  ...makeKind(fields, { parts: ['picture', 'summary', 'body', 'place'], ...given }),
  one,
  many: `${one}s`,
});
const toSelf = { link: 1, linked: { kindId: 1, many: true, hasNotes: false } };
const RICH = kindOf('Berth', [
  ...[field('price', 'money'), field('views', 'pictures'), field('about', 'rich-text'), field('call', 'phone')],
  ...[field('begins', 'date'), field('does', 'several-choices'), field('near', 'link', { settings: toSelf as never })],
  field('fees', 'rows', { settings: { fields: [field('what', 'short-text')] } as never }),
]);
const BARE = kindOf('Idea', [], { parts: [] });

const blank = (serves: 'listing' | 'index', kind: Kind): PageDesign =>
  makePage({
    name: 'Page',
    serves,
    when: null,
    strips: [{ columns: [{ pieces: [] }] }],
    description: [kind.one].map((words) => ({ words })),
  });
const wrongWith = (page: PageDesign, kind: Kind): string[] =>
  checkPage(page, {
    ...{ kind, kindById: (id: number) => (id === kind.id ? kind : undefined), context: contextIn() },
    ...{ isSelection: () => false, partOf: () => undefined, formOf: () => undefined, isTaken: () => false },
  }).map(({ message }) => message);

describe('Pages to begin with', () => {
  it('are eight and more, and none that a kind lacks nothing for is wrong or an empty shell', () => {
    expect(PAGE_STARTERS.length).toBeGreaterThanOrEqual(8);
    for (const kind of [
      RICH,
      BARE,
      { ...RICH, facets: [makeFacet({ key: 'does', label: 'Does', field: 'does', control: 'ticks' })] },
    ]) {
      for (const starter of PAGE_STARTERS) {
        const page = pageOfStarter(starter, kind, blank(starter.serves, kind));
        // What is lacking can be left out.
        expect(wrongWith(page, kind)).withContext(`${starter.name} of ${kind.many}`).toEqual([]);
        if (lackingFor(starter, kind).length > 0) continue;
        expect(piecesOfPage(page).length).withContext(starter.name).toBeGreaterThan(1);
        expect(page.strips.every(({ columns }) => columns.some(({ pieces }) => pieces.length > 0))).toBeTrue();
      }
    }
  });

  it('show every field of a listing somewhere', () => {
    for (const starter of PAGE_STARTERS.filter(({ serves }) => serves === 'listing')) {
      const shown = JSON.stringify(pageOfStarter(starter, RICH, blank('listing', RICH)).strips);
      const missing = RICH.fields.filter(({ key }) => !shown.includes(`"${key}"`));
      expect(missing.map(({ key }) => key))
        .withContext(starter.name)
        .toEqual(starter.name === 'data-sheet' ? ['views'] : []);
    }
  });

  it('come in the order in which they fit, by what a kind is called and has', () => {
    const first = (kind: Kind, serves: 'listing' | 'index'): string | undefined =>
      pageStartersFor(kind, serves)[0]?.name;
    expect(first(RICH, 'listing')).toBe('price-beside');
    expect(first(kindOf('Course', [field('begins', 'date')]), 'listing')).toBe('date-page');
    expect(first(kindOf('Course', [field('begins', 'date')]), 'index')).toBe('coming-dates');
    expect(first(kindOf('Person', []), 'index')).toBe('portraits');
    expect(first(kindOf('Harbour', []), 'index')).toBe('map-and-list');
    expect(pageStartersFor(BARE, 'listing').at(-1)?.name).toMatch(/^(price-beside|date-page)$/);
    expect(pageStartersFor(BARE, 'index').at(-1)?.name).toMatch(/^(map-and-list|coming-dates)$/);
  });

  it('are begun with by one step, which keeps what else is said of the page and is taken back', () => {
    const page = blank('listing', RICH);
    const step = beginPage(PAGE_STARTERS[0]!, RICH, page);
    const after = afterStep(page, step);
    expect([after.name, after.description]).toEqual([page.name, page.description]);
    expect(after.strips.length).toBeGreaterThan(2);
    expect(afterStep(after, reversed(step))).toEqual(page);
  });
});
