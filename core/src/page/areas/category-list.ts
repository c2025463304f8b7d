import type { Catalog } from '../../catalog/index.js';
import type { QueryScene } from '../../query/index.js';
import { listOfKind, rowsOfSelection } from '../../query/index.js';
import type { Choice, Field, Kind } from '../../structure/index.js';
import { makeSelection, parentsOf, pastCategories, withAncestors } from '../../structure/index.js';
import type { NamedList } from './list-area.js';

/** A category of a kind, found by its key or by that of one that was merged into it. */
export interface FoundCategory {
  readonly field: Field;
  readonly category: Choice;
  /** Its key with those of all that it lies under. */
  readonly path: readonly string[];
  /** Whether it was found by the key of a merged one. */
  readonly isFormer: boolean;
}

/** The category that a key names, in the first field of a kind that has it; null for none. */
export function categoryOf({ fields }: Pick<Kind, 'fields'>, key: string): FoundCategory | null {
  for (const field of fields.filter(({ type }) => type === 'categories')) {
    const choices = field.settings.choices ?? [];
    const own = choices.find((one) => one.key === key);
    const merged = choices.find(({ formerKeys }) => formerKeys?.includes(key));
    const category = own ?? merged;
    if (!category) continue;
    return { field, category, path: withAncestors(category.key, parentsOf(choices)), isFormer: !own };
  }
  return null;
}

/** The path of the page of a category. */
export function categoryPath({ slug }: Pick<Kind, 'slug'>, { key }: Pick<Choice, 'key'>): string {
  return `/${slug}/${key}`;
}

/** Whether the rule of a kind puts its listings into a category when they leave, so that its page is one of the past. */
function isOfThePast(kind: Kind, field: Field, category: Choice): boolean {
  return pastCategories(kind).some((past) => past.field === field.key && past.category === category.key);
}

/** The listings of a kind in a category or below it, as the kind arranges its list. */
export function listOfCategory(catalog: Catalog, { field, category }: FoundCategory, scene: QueryScene): NamedList {
  const { kind } = catalog;
  const selection = makeSelection({
    ...{ slug: category.key, name: category.label, kinds: [kind.id] },
    where: { join: 'all', of: [{ field: field.key, op: 'is-one-of', value: [category.key] }] },
    shows: isOfThePast(kind, field, category) ? 'both' : 'present',
  });
  const [found] = rowsOfSelection(selection, scene);
  const list = listOfKind(catalog);
  const { shows } = selection;
  const parts = list.parts.map((part) => ({ ...part, rows: found?.rows ?? part.rows, shows }));
  const design = { ...list.design, path: categoryPath(kind, category) };
  return { list: { ...list, parts, design }, selection, heading: category.label };
}
