import { Structure } from './structure.js';
import type { StructureRecords } from './structure.js';
import { makeKind, makeListing } from '../../testing/builders.js';
import type { Connection } from '../listings/index.js';
import { inHandOrder, positionAfter } from '../listings/index.js';
import type { CategorySetDefinition, Link } from '../structure/index.js';
import { NEW_SITE, makeCategory, makeField, makeKindDefinition } from '../structure/index.js';
import { onlyAddsCategories, replacedCategories, withCategoriesFollowed } from './category-plan.js';
import type { ChangeEntry } from './change-entry.js';
import { withEntry } from './change-entry.js';
import { changedKindIssues, newKindIssues, sentenceOfKindChange } from './kind-plan.js';
import { keysOfNewLink, limitIssues } from './link-plan.js';
import { copyOf, exclusiveLinkIssues, fieldsToNumber, sentenceOfEdit, withCategoryChange } from './listing-plan.js';
import { takenBack } from './undo-plan.js';

const set = (...keys: string[]): CategorySetDefinition => ({
  slug: 's',
  label: 'Services',
  categories: keys.map((key) => makeCategory({ key, label: key })),
});

const link = (aMany: boolean, bMany: boolean): Link => ({
  id: 1,
  version: 1,
  a: { kindId: 1, field: 'harbour', many: aMany },
  b: { kindId: 2, field: 'berths', many: bMany },
  hasNotes: false,
});

const connection = (id: number, a: number, b: number): Connection => {
  return { id, linkId: 1, a, b, note: '', aOrder: 10, bOrder: 10 };
};

describe('A plan of undoing', () => {
  const before = makeListing({ id: 1, title: 'Quay' });
  const after = { ...before, title: 'Pier', version: 2, changedAt: 9 };
  const entry: ChangeEntry = { entity: 'listing', id: 1, before, after };

  it('puts back what was there, with a version that goes on', () => {
    expect(takenBack(entry, after)).toEqual({ ...entry, before: after, after: { ...before, version: 3 } });
  });

  it('does not mind that a later change and its undoing have moved the version on', () => {
    const now = { ...after, version: 4, changedAt: 20 };
    expect(takenBack(entry, now)).toEqual({ ...entry, before: now, after: { ...before, version: 5 } });
  });

  it('tells that a record is no longer as the change left it', () => {
    expect(takenBack(entry, { ...after, title: 'Jetty' })).toBe('changed');
    expect(takenBack(entry, null)).toBe('changed');
  });

  it('removes what the change added whatever became of it, and nothing that is gone', () => {
    const added: ChangeEntry = { ...entry, before: null, after: before };
    expect(takenBack(added, after)).toEqual({ ...added, before: after, after: null });
    expect(takenBack(added, null)).toBeNull();
  });
});

describe('A plan of categories', () => {
  it('says which one each that is gone was merged into', () => {
    const merged = { ...set('hull'), categories: [makeCategory({ key: 'hull', label: 'hull', formerKeys: ['mast'] })] };
    expect([...replacedCategories(set('hull', 'mast', 'sail'), merged)]).toEqual([
      ['mast', 'hull'],
      ['sail', null],
    ]);
  });

  it('lets a listing follow, each category once, and the field be empty when none is left', () => {
    const listing = makeListing({ id: 1, values: { services: ['hull', 'mast'], more: ['sail'] } });
    const replaced = new Map([
      ['mast', 'hull'],
      ['sail', null],
    ]);
    expect(withCategoriesFollowed(listing, ['services', 'more'], replaced, null)).toEqual({ services: ['hull'] });
    const move = { from: 'hull', to: 'deck', listings: [1] };
    expect(withCategoriesFollowed(listing, ['services'], new Map(), move)?.['services']).toEqual(['deck', 'mast']);
    expect(withCategoriesFollowed(listing, ['services'], new Map(), { ...move, listings: [2] })).toBeNull();
  });

  it('knows a set that has only more categories, wherever they stand', () => {
    expect(onlyAddsCategories(set('hull', 'mast'), set('hull', 'deck', 'mast'))).toBeTrue();
    expect(onlyAddsCategories(set('hull', 'mast'), set('mast', 'hull', 'deck'))).toBeFalse();
    expect(onlyAddsCategories(set('hull'), { ...set('hull', 'deck'), label: 'Other' })).toBeFalse();
    expect(onlyAddsCategories(set('hull', 'mast'), set('hull'))).toBeFalse();
  });
});

describe('A plan of links', () => {
  const kinds = { a: makeKind([makeField({ key: 'harbour', label: 'Harbour', type: 'short-text' })]), b: makeKind([]) };
  const end = (kindId: number, label: string): { kindId: number; label: string; many: boolean } => {
    return { kindId, label, many: true };
  };

  it('gives the fields at its ends keys that are free, also when both ends are of one kind', () => {
    expect(keysOfNewLink({ a: end(1, 'Harbour'), b: end(2, 'Berths') }, kinds)).toEqual({
      a: 'harbour_2',
      b: 'berths',
    });
    const same = { a: kinds.b, b: kinds.b };
    expect(keysOfNewLink({ a: end(2, 'Near'), b: end(2, 'Near') }, same)).toEqual({ a: 'near', b: 'near_2' });
  });

  it('refuses a limit that listings are beyond already, at the end that it is about', () => {
    const connections = [connection(1, 1, 7), connection(2, 1, 8), connection(3, 2, 8)];
    expect(limitIssues(link(true, true), connections)).toEqual([]);
    expect(limitIssues(link(false, true), connections).map(({ field }) => field)).toEqual(['a']);
    expect(limitIssues(link(false, false), connections).map(({ field }) => field)).toEqual(['a', 'b']);
  });
});

describe('A plan of a listing', () => {
  const fields = [
    makeField({ key: 'size', label: 'Size', type: 'decimal' }),
    makeField({ key: 'code', label: 'Code', type: 'reference' }),
    makeField({ key: 'sail', label: 'Sail', type: 'short-text', unique: true }),
    makeField({ key: 'harbour', label: 'At', type: 'link', settings: { link: 1, side: 'a' } }),
  ];
  const kind = makeKind(fields);
  const before = makeListing({ id: 1, title: 'Quay', values: { size: 4, code: '0001', sail: 'Red' } });

  it('is told by what changed: the status alone, or parts and fields by their names', () => {
    const told = (change: object, given: object = {}): string =>
      sentenceOfEdit(before, { ...before, ...change }, kind, given as Record<string, unknown>);
    expect(told({ status: 'binned', title: 'Pier' })).toBe('Put Pier into the bin');
    expect(told({ status: 'hidden' })).toBe('Set Quay to Hidden');
    expect(told({ handOrder: 3, shownUntil: 9, values: { ...before.values, size: 5 } })).toBe(
      'Changed on the site until, hand order, Size of Quay',
    );
    expect(told({}, { harbour: [3] })).toBe('Changed At of Quay');
    expect(told({})).toBe('Changed nothing of Quay');
  });

  it('copies it as a draft without what has to be different', () => {
    expect(copyOf(before, kind)).toEqual({ ...before, status: 'draft', values: { size: 4 } } as never);
    expect(fieldsToNumber({ size: 4 }, fields).map(({ key }) => key)).toEqual(['code']);
  });

  it('refuses to give one that only one may hold to several at once', () => {
    const given = [{ values: { harbour: [3] } }, { values: {} }];
    expect(exclusiveLinkIssues(kind, [link(true, false)], given).map(({ code }) => code)).toEqual(['link.exclusive']);
    expect(exclusiveLinkIssues(kind, [link(true, true)], given)).toEqual([]);
    expect(exclusiveLinkIssues(kind, [link(true, false)], given.slice(0, 1))).toEqual([]);
  });

  it('adds and takes away categories, each once', () => {
    const listing = { values: { services: ['hull', 'mast'] } };
    const change = { field: 'services', add: ['deck', 'hull'], remove: ['mast'] };
    expect(withCategoryChange(listing, change)).toEqual({ services: ['hull', 'deck'] });
  });

  it('stands in hand order by its number, those without one last, alike ones by their age', () => {
    const places = [
      { id: 4, handOrder: null },
      { id: 3, handOrder: 10 },
      { id: 2, handOrder: 10 },
      { id: 1, handOrder: 20 },
    ];
    expect(inHandOrder(places).map(({ id }) => id)).toEqual([2, 3, 1, 4]);
    expect([null, 3, 99].map((after) => positionAfter(inHandOrder(places), 1, after))).toEqual([0, 2, -1]);
  });
});

describe('A plan of a kind', () => {
  const definition = makeKindDefinition({ slug: 'berths', one: 'Berth', many: 'Berths' });
  const records: StructureRecords = {
    ...{ version: 1, site: NEW_SITE, sets: [], links: [], selections: [], designs: [] },
    kinds: [{ id: 1, version: 1, definition }],
    coming: [{ id: 2, version: 1, definition: { ...definition, slug: 'yards', one: 'Yard', many: 'Yards' } }],
  };
  const structure = new Structure(records);

  it('clashes with kinds that are there, and with those of imports that are running', () => {
    const codes = (given: object): string[] =>
      newKindIssues({ ...definition, slug: 'new', ...given }, structure).map(({ code }) => code);
    expect(codes({ one: 'berth', many: 'New' })).toEqual(['kind.label-taken']);
    expect(codes({ one: 'New', many: 'YARDS' })).toEqual(['kind.label-taken']);
    expect(codes({ one: 'New', many: 'News' })).toEqual([]);
    expect(structure.kind(2)).toBeUndefined();
  });

  it('keeps its name, and the types of its fields as soon as it has listings', () => {
    const before = structure.kind(1)!;
    const fields = [makeField({ key: 'size', label: 'Size', type: 'decimal' })];
    const was = { ...before, fields: [makeField({ key: 'size', label: 'Size', type: 'short-text' })] };
    expect(changedKindIssues(before, { ...definition, fields }, structure, true)).toEqual([]);
    expect(changedKindIssues(was, { ...definition, fields }, structure, false)).toEqual([]);
    expect(changedKindIssues(was, { ...definition, fields }, structure, true).map(({ code }) => code)).toEqual([
      'kind.fields',
    ]);
    expect(sentenceOfKindChange(definition, { ...definition, published: true })).toBe('Published Berths');
  });

  it('leaves the structure before a change as it was', () => {
    const after = { id: 3, version: 1, definition: { ...definition, slug: 'a', one: 'A', many: 'As' } };
    const changed = withEntry(records, { entity: 'kind', id: 3, before: null, after });
    expect([records.kinds.length, changed.kinds.map(({ id }) => id)]).toEqual([1, [1, 3]]);
    const gone = withEntry(changed, { entity: 'kind', id: 1, before: records.kinds[0]!, after: null });
    expect(gone.kinds.map(({ id }) => id)).toEqual([3]);
  });

  it('is complete only as part of a structure: with the categories of its set', () => {
    const field = makeField({ key: 'services', label: 'Services', type: 'categories', settings: { set: 1 } });
    const withSet = new Structure({
      ...records,
      sets: [{ ...set('hull'), id: 1, version: 1 }],
      kinds: [{ id: 1, version: 1, definition: { ...definition, fields: [field] } }],
    });
    expect(withSet.kind(1)?.fields[0]?.settings.choices?.map(({ key }) => key)).toEqual(['hull']);
  });
});
