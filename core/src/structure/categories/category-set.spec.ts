import fc from 'fast-check';
import type { CategorySetDefinition } from './category-set.js';
import {
  branchOf,
  checkCategorySet,
  depthOf,
  withCategoriesMerged,
  withCategoryAdded,
  withCategoryMoved,
  withCategoryRemoved,
  withListPasted,
} from './category-set.js';

const LIST = `Engine work
  Inboard
    Diesel
  Outboard
Hull
\tPainting
\tOsmosis
Rigging`;
const BLANK: CategorySetDefinition = { slug: 'services', label: 'Services', categories: [] };
const SET = withListPasted(BLANK, LIST, null);
const drawn = (set: CategorySetDefinition): string[] =>
  set.categories.map(({ key, label }) => `${'  '.repeat(depthOf(set, key))}${label}`);

describe('A category set', () => {
  it('is made from an indented list, and pasting it again adds nothing', () => {
    expect(drawn(SET)).toEqual([
      'Engine work',
      '  Inboard',
      '    Diesel',
      '  Outboard',
      'Hull',
      '  Painting',
      '  Osmosis',
      'Rigging',
    ]);
    expect(withListPasted(SET, LIST, null)).toEqual(SET);
    expect(drawn(withListPasted(SET, '- Keel\n- Painting', 'hull'))).toContain('  Keel');
    expect(checkCategorySet(SET, [])).toEqual([]);
  });

  it('moves a branch whole, never into itself', () => {
    const moved = withCategoryMoved(SET, 'engine-work', 'hull', 'osmosis');
    expect(drawn(moved)).toEqual([
      'Hull',
      '  Painting',
      '  Engine work',
      '    Inboard',
      '      Diesel',
      '    Outboard',
      '  Osmosis',
      'Rigging',
    ]);
    expect(withCategoryMoved(SET, 'engine-work', 'diesel', null)).toBe(SET);
    expect(drawn(withCategoryRemoved(SET, 'inboard'))).toEqual([
      'Engine work',
      '  Diesel',
      '  Outboard',
      'Hull',
      '  Painting',
      '  Osmosis',
      'Rigging',
    ]);
  });

  it('merges one category into another with all below it, and remembers its key', () => {
    const merged = withCategoriesMerged(SET, 'engine-work', 'rigging');
    expect(drawn(merged)).toEqual([
      'Hull',
      '  Painting',
      '  Osmosis',
      'Rigging',
      '  Inboard',
      '    Diesel',
      '  Outboard',
    ]);
    expect(merged.categories.find(({ key }) => key === 'rigging')?.formerKeys).toEqual(['engine-work']);
    expect(withCategoriesMerged(SET, 'engine-work', 'diesel')).toBe(SET);
    const again = withCategoryAdded(merged, 'Engine work', null);
    expect(again.categories.at(-1)?.key).toBe('engine-work-2');
  });

  it('tells what is wrong with it', () => {
    const twice = withCategoryAdded(withCategoryAdded(SET, 'Sails', null), 'SAILS', null);
    expect(checkCategorySet(twice, [])[0]?.message).toContain('two categories in the same place are called “SAILS”');
    expect(checkCategorySet(BLANK, [{ ...SET, id: 1, version: 1 }])[0]?.message).toContain('already a category set');
  });

  it('stays a tree in tree order, and loses nothing, whatever is moved, merged and removed', () => {
    const step = fc.tuple(fc.constantFrom('move', 'merge', 'remove'), fc.nat(20), fc.nat(20));
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let set = SET;
        for (const [act, a, b] of steps) {
          if (set.categories.length < 2) break;
          const [one, other] = [a, b].map((at) => set.categories[at % set.categories.length]!.key);
          if (act === 'move') set = withCategoryMoved(set, one!, b % 3 === 0 ? null : other!, null);
          if (act === 'merge') set = withCategoriesMerged(set, one!, other!);
          if (act === 'remove') set = withCategoryRemoved(set, one!);
          const keys = new Set<string>();
          for (const { key, parent } of set.categories) {
            expect(parent === null || keys.has(parent)).toBeTrue();
            keys.add(key);
          }
          expect(keys.size).toBe(set.categories.length);
          for (const { key } of set.categories) {
            const at = set.categories.findIndex((own) => own.key === key);
            const branch = branchOf(set, key);
            expect(set.categories.slice(at, at + branch.length)).toEqual(branch);
          }
        }
      }),
    );
  });
});
