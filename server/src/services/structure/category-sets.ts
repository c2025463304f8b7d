import type { CategoryMove, CategorySetSummary, Changed, User } from '@plindo/core/contract';
import { fieldsOfSet, replacedCategories, ruleFollowing, withCategoriesFollowed } from '@plindo/core/plans';
import type { CategorySet, CategorySetDefinition } from '@plindo/core/structure';
import { categoryByKey, checkCategorySet, withCategoryAdded } from '@plindo/core/structure';
import { firstFreeSlug, isSame, issue, Refusal, refuseIfAny, slugOf } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { refuseOutdated } from '../editing.js';
import { refuseNotKept } from '../media/kept.js';

/** Making and changing category sets. Listings follow what happens to their categories, in the same change. */
export class CategorySets {
  constructor(
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  summaries(): CategorySetSummary[] {
    return this.live.categorySets().map((set) => this.summary(set));
  }

  add(user: User | null, definition: CategorySetDefinition): Promise<Changed<CategorySet>> {
    return this.editing.change(user, async (unit) => {
      await check(unit, definition, null);
      const taken = unit.structure.sets.map(({ slug }) => slug);
      const slug = firstFreeSlug(definition.slug || slugOf(definition.label), (one) => taken.includes(one));
      const result = await unit.insertCategorySet({ ...definition, slug });
      return { sentence: `Added the category set ${definition.label}`, result };
    });
  }

  /**
   * Puts a new definition in place of the old one. Listings lose categories that are gone, get the one that theirs was
   * merged into, and those named in `move` get another one.
   */
  update(
    user: User,
    id: number,
    version: number,
    definition: CategorySetDefinition,
    move: CategoryMove | null,
  ): Promise<Changed<CategorySet>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      await check(unit, definition, id);
      refuseOutdated(before, version, before.label);
      const replaced = replacedCategories(before, definition);
      await followRules(unit, before, replaced);
      await follow(unit, id, replaced, move);
      const result = await unit.updateCategorySet(before, definition);
      return { sentence: `Changed the category set ${definition.label}`, result };
    });
  }

  /** Adds one category, for somebody who is filling in a listing and misses it. */
  addCategory(user: User, id: number, label: string, parent: string | null): Promise<Changed<CategorySet>> {
    return this.editing.change(user, async (unit) => {
      const before = existing(unit, id);
      const definition = withCategoryAdded(before, label, parent);
      refuseIfAny(checkCategorySet(definition, unit.structure.setsBesides(id)));
      const result = await unit.updateCategorySet(before, definition);
      return { sentence: `Added the category ${label}`, result };
    });
  }

  /** Deletes a category set that no kind uses. Refused by `category.set-used`. */
  remove(user: User, id: number): Promise<Changed<null>> {
    return this.editing.change(user, async (unit) => {
      const set = existing(unit, id);
      const uses = unit.structure.kinds.flatMap((kind) =>
        fieldsOfSet(kind, id).map(({ label }) => `${label} of ${kind.many}`),
      );
      if (uses.length > 0) throw Refusal.of('category.set-used', { label: set.label, uses: uses.join(', ') });
      await unit.remove('category-set', id, set);
      return { sentence: `Deleted the category set ${set.label}`, result: null };
    });
  }

  private summary(set: CategorySet): CategorySetSummary {
    const counts: Record<string, number> = {};
    const usedBy: { kindId: number; kind: string; field: string }[] = [];
    for (const kind of this.live.kinds()) {
      for (const field of fieldsOfSet(kind, set.id)) {
        usedBy.push({ kindId: kind.id, kind: kind.many, field: field.label });
        const column = this.live.catalog(kind.id)?.column(field.key);
        if (column?.kind !== 'choices') continue;
        for (const { key } of set.categories) {
          const number = column.find(key);
          if (number >= 0) counts[key] = (counts[key] ?? 0) + column.rowsWith(number).count();
        }
      }
    }
    return { set, counts, usedBy };
  }
}

/** Rules by which listings leave follow categories that are merged; one that they need can't go. */
async function followRules(unit: Unit, set: CategorySet, replaced: ReadonlyMap<string, string | null>): Promise<void> {
  for (const kind of unit.structure.kinds.filter(({ expiry }) => expiry !== null)) {
    const { rule, missing } = ruleFollowing(kind, set.id, replaced);
    const labels = missing.map((key) => categoryByKey(set, key)?.label ?? key);
    refuseIfAny(labels.map((label) => issue('category.in-rule', { label, kind: kind.many }, { field: 'categories' })));
    if (isSame(rule, kind.expiry)) continue;
    const kept = unit.kind(kind.id);
    await unit.updateKind(kept, { ...kept.definition, expiry: rule });
  }
}

/** Listings follow what became of the categories of a set. */
async function follow(
  unit: Unit,
  setId: number,
  replaced: ReadonlyMap<string, string | null>,
  move: CategoryMove | null,
): Promise<void> {
  if (replaced.size === 0 && !move) return;
  for (const kind of unit.structure.kinds) {
    const keys = fieldsOfSet(kind, setId).map(({ key }) => key);
    if (keys.length === 0) continue;
    for await (const stretch of unit.listingsOf(kind.id)) {
      for (const listing of stretch) {
        const values = withCategoriesFollowed(listing, keys, replaced, move);
        if (values) await unit.updateListing(listing, { ...listing, values });
      }
    }
  }
}

function existing(unit: Unit, id: number): CategorySet {
  const set = unit.structure.set(id);
  if (!set) throw Refusal.of('request.not-found');
  return set;
}

/** Refuses a set that is not right, and pictures that are not kept here. */
async function check(unit: Unit, definition: CategorySetDefinition, id: number | null): Promise<void> {
  refuseIfAny(checkCategorySet(definition, unit.structure.setsBesides(id)));
  const pictures = definition.categories.flatMap(({ label, picture }) =>
    picture ? [{ label, key: 'categories', thing: picture }] : [],
  );
  await refuseNotKept(unit, { pictures, files: [] });
}
