import type { CategoryMove, CategorySetSummary, Changed, User } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { CategorySet, CategorySetDefinition, Kind } from '@plindo/core/structure';
import { checkCategorySet, withCategoryAdded } from '@plindo/core/structure';
import { firstFreeSlug, issue, slugOf } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, Unit } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

/** Making and changing category sets. Listings follow what happens to their categories, in the same change. */
export class CategorySets {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  summaries(): CategorySetSummary[] {
    return this.live.categorySets().map((set) => this.summary(set));
  }

  async add(user: User | null, definition: CategorySetDefinition): Promise<Changed<CategorySet>> {
    refuseIfAny(checkCategorySet(definition, this.live.categorySets()));
    await this.checkPictures(definition);
    const taken = this.live.categorySets().map(({ slug }) => slug);
    const slug = firstFreeSlug(definition.slug || slugOf(definition.label), (candidate) => taken.includes(candidate));
    const head = { userId: user?.id ?? null, sentence: `Added the category set ${definition.label}` };
    const { changeId, result } = await this.live.change(head, (unit) =>
      unit.insertCategorySet({ ...definition, slug }),
    );
    return { changeId, result };
  }

  /**
   * Puts a new definition in place of the old one. Listings lose categories that are gone, get the one that theirs was
   * merged into, and those named in `move` get another one.
   */
  async update(
    user: User,
    id: number,
    version: number,
    definition: CategorySetDefinition,
    move: CategoryMove | null,
  ): Promise<Changed<CategorySet>> {
    const others = this.live.categorySets().filter((set) => set.id !== id);
    refuseIfAny(checkCategorySet(definition, others));
    await this.checkPictures(definition);
    const head = { userId: user.id, sentence: `Changed the category set ${definition.label}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await existing(unit, id);
      if (before.version !== version) throw Refusal.of('change.conflict', { title: before.label });
      await this.follow(unit, id, replacements(before, definition), move);
      return unit.updateCategorySet(before, definition);
    });
    return { changeId, result };
  }

  /** Refuses pictures that are not kept here. */
  private async checkPictures({ categories }: CategorySetDefinition): Promise<void> {
    for (const { picture, label } of categories) {
      if (!picture || (await this.store.pictures.find(picture.hash))) continue;
      refuseIfAny([issue('value.not-a-picture', { label, found: picture.hash }, { field: 'categories' })]);
    }
  }

  /** Adds one category, for somebody who is filling in a listing and misses it. */
  async addCategory(user: User, id: number, label: string, parent: string | null): Promise<Changed<CategorySet>> {
    const head = { userId: user.id, sentence: `Added the category ${label}` };
    const { changeId, result } = await this.live.change(head, async (unit) => {
      const before = await existing(unit, id);
      const definition = withCategoryAdded(before, label, parent);
      refuseIfAny(
        checkCategorySet(
          definition,
          this.live.categorySets().filter((set) => set.id !== id),
        ),
      );
      return unit.updateCategorySet(before, definition);
    });
    return { changeId, result };
  }

  async remove(user: User, id: number): Promise<Changed<null>> {
    const set = this.live.categorySets().find((one) => one.id === id);
    if (!set) throw Refusal.of('request.not-found');
    const uses = this.summary(set).usedBy.map(({ kind, field }) => `${field} of ${kind}`);
    if (uses.length > 0) throw Refusal.of('category.set-used', { label: set.label, uses: uses.join(', ') });
    const head = { userId: user.id, sentence: `Deleted the category set ${set.label}` };
    const { changeId } = await this.live.change(head, async (unit) => {
      await unit.restore({ entity: 'category-set', id, before: await existing(unit, id), after: null });
    });
    return { changeId, result: null };
  }

  private summary(set: CategorySet): CategorySetSummary {
    const counts: Record<string, number> = {};
    const usedBy: { kindId: number; kind: string; field: string }[] = [];
    for (const kind of this.live.kinds()) {
      for (const field of fieldsOf(kind, set.id)) {
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

  private async follow(
    unit: Unit,
    setId: number,
    replaced: ReadonlyMap<string, string | null>,
    move: CategoryMove | null,
  ): Promise<void> {
    if (replaced.size === 0 && !move) return;
    for (const kind of this.live.kinds()) {
      const keys = fieldsOf(kind, setId).map(({ key }) => key);
      if (keys.length === 0) continue;
      for (const listing of await unit.listingsOf(kind.id)) {
        const values = followed(listing, keys, replaced, move);
        if (values) await unit.updateListing(listing, { ...listing, values });
      }
    }
  }
}

function fieldsOf({ fields }: Kind, setId: number): Kind['fields'] {
  return fields.filter(({ type, settings }) => type === 'categories' && settings.set === setId);
}

async function existing(unit: Unit, id: number): Promise<CategorySet> {
  const set = await unit.categorySet(id);
  if (!set) throw Refusal.of('request.not-found');
  return set;
}

/** For each category that is gone, the one it was merged into, or null. */
function replacements(before: CategorySetDefinition, after: CategorySetDefinition): Map<string, string | null> {
  const kept = new Set(after.categories.map(({ key }) => key));
  const gone = before.categories.filter(({ key }) => !kept.has(key));
  return new Map(
    gone.map(({ key }) => [key, after.categories.find(({ formerKeys }) => formerKeys.includes(key))?.key ?? null]),
  );
}

/** The values of a listing after its categories have followed; null when nothing changes. */
function followed(
  { id, values }: Listing,
  keys: readonly string[],
  replaced: ReadonlyMap<string, string | null>,
  move: CategoryMove | null,
): Listing['values'] | null {
  const moves = move?.listings.includes(id) ? move : null;
  let isChanged = false;
  const result: Record<string, unknown> = { ...values };
  for (const key of keys) {
    const own = values[key];
    if (!Array.isArray(own)) continue;
    const after = (own as readonly string[]).flatMap((one) => {
      if (moves?.from === one) return [moves.to];
      const target = replaced.get(one);
      return target === undefined ? [one] : target === null ? [] : [target];
    });
    if (JSON.stringify(after) === JSON.stringify(own)) continue;
    isChanged = true;
    const distinct = [...new Set(after)];
    if (distinct.length === 0) delete result[key];
    else result[key] = distinct;
  }
  return isChanged ? result : null;
}
