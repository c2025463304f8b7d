import type { Listing } from '../listings/index.js';
import type { CategorySetDefinition, ExpiryRule, Kind } from '../structure/index.js';
import { categoriesInRule, ruleWithCategories } from '../structure/index.js';
import { isSame } from '../values/index.js';

/** Listings that get another category in the place of one. */
export interface CategoryMove {
  readonly from: string;
  readonly to: string;
  readonly listings: readonly number[];
}

/** The fields of a kind that take their categories from a set. */
export function fieldsOfSet({ fields }: Pick<Kind, 'fields'>, setId: number): Kind['fields'] {
  return fields.filter(({ type, settings }) => type === 'categories' && settings.set === setId);
}

/** For each category that is gone, the one it was merged into, or null. */
export function replacedCategories(
  before: CategorySetDefinition,
  after: CategorySetDefinition,
): Map<string, string | null> {
  const kept = new Set(after.categories.map(({ key }) => key));
  const gone = before.categories.filter(({ key }) => !kept.has(key));
  return new Map(
    gone.map(({ key }) => [key, after.categories.find(({ formerKeys }) => formerKeys.includes(key))?.key ?? null]),
  );
}

/** The values of a listing after its categories in some fields have followed; null when nothing changes. */
export function withCategoriesFollowed(
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
    if (isSame(after, own)) continue;
    isChanged = true;
    const distinct = [...new Set(after)];
    if (distinct.length === 0) delete result[key];
    else result[key] = distinct;
  }
  return isChanged ? result : null;
}

/** What becomes of the expiry rule of a kind when categories of a set are merged, and which of those that go it needs. */
export function ruleFollowing(
  { fields, expiry }: Pick<Kind, 'fields' | 'expiry'>,
  setId: number,
  replaced: ReadonlyMap<string, string | null>,
): { readonly rule: ExpiryRule | null; readonly missing: readonly string[] } {
  const keys = fieldsOfSet({ fields }, setId).map(({ key }) => key);
  const named = keys.flatMap((key) => categoriesInRule(expiry, key));
  const missing = [...new Set(named)].filter((key) => replaced.get(key) === null);
  const rule = expiry && keys.reduce((followed, key) => ruleWithCategories(followed, key, replaced), expiry);
  return { rule, missing };
}

/** Whether a set after a change only has more categories than before, each of the old ones as it was. */
export function onlyAddsCategories(before: CategorySetDefinition, after: CategorySetDefinition): boolean {
  const added = new Set(after.categories.map(({ key }) => key));
  for (const { key } of before.categories) added.delete(key);
  const rest = after.categories.filter(({ key }) => !added.has(key));
  return isSame(rest, before.categories) && before.label === after.label && before.slug === after.slug;
}
