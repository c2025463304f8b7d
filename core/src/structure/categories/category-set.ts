import type { Issue } from '../../values/index.js';
import { firstFreeSlug, foldText, issue, normaliseLine, slugOf } from '../../values/index.js';
import { readColour } from '../field-types/colour.js';
import type { Choice, Field } from '../fields/field.js';
import type { KindDefinition } from '../kinds/kind.js';
import type { Picture } from '../fields/picture.js';
import { asPicture } from '../fields/picture.js';

/** One category of a set. The list of a set is in the order of its tree, parents before their children. */
export interface Category {
  /** Stands in listings and addresses; made once from the first label, and kept. */
  readonly key: string;
  readonly label: string;
  /** Key of the category that it lies under; null at the top. */
  readonly parent: string | null;
  /** Name of an icon, and a colour as #rrggbb; '' for none. */
  readonly icon: string;
  readonly colour: string;
  /** A sentence about it. */
  readonly text: string;
  readonly picture: Picture | null;
  /** Keys of categories that were merged into this one, so that their addresses still lead here. */
  readonly formerKeys: readonly string[];
}

export interface CategorySetDefinition {
  readonly slug: string;
  readonly label: string;
  readonly categories: readonly Category[];
}

/** A named tree of categories, as it is kept. */
export interface CategorySet extends CategorySetDefinition {
  readonly id: number;
  readonly version: number;
}

export const MOST_CATEGORIES = 5000;
export const LONGEST_CATEGORY = 80;

/** A category with every property at its plain default but those given; always in the same order of properties. */
export function makeCategory(given: Pick<Category, 'key' | 'label'> & Partial<Category>): Category {
  const { key, label, parent = null, icon = '', colour = '', text = '', picture = null, formerKeys = [] } = given;
  return { key, label, parent, icon, colour, text, picture, formerKeys };
}

/** Everything that is wrong with a set; `others` are the sets it must not clash with. Told as `category.set`. */
export function checkCategorySet(set: CategorySetDefinition, others: readonly CategorySet[]): Issue[] {
  const reasons: string[] = [];
  if (set.label.trim() === '') reasons.push('it needs a name.');
  if (others.some(({ label }) => foldText(label) === foldText(set.label))) {
    reasons.push(`there is already a category set called “${set.label}”.`);
  }
  if (set.categories.length > MOST_CATEGORIES) {
    reasons.push(`it has ${set.categories.length} categories; at most ${MOST_CATEGORIES} fit.`);
  }
  const seen = new Set<string>();
  const siblings = new Set<string>();
  for (const { key, label, parent, colour, picture } of set.categories) {
    if (label.trim() === '' || label.length > LONGEST_CATEGORY) {
      reasons.push(`the category “${key}” needs a label of 1 to ${LONGEST_CATEGORY} characters.`);
    }
    if (!/^[\p{L}\p{N}_-]+$/u.test(key) || seen.has(key))
      reasons.push(`the key “${key}” does not fit or is there twice.`);
    if (parent !== null && !seen.has(parent)) reasons.push(`“${label}” lies under a category that is not above it.`);
    const place = `${parent ?? ''}/${foldText(label)}`;
    if (siblings.has(place)) reasons.push(`two categories in the same place are called “${label}”.`);
    if (colour !== '' && readColour(colour) === null) reasons.push(`“${label}” has a colour that is none.`);
    if (picture !== null && !asPicture(picture)) reasons.push(`“${label}” has a picture that is none.`);
    seen.add(key);
    siblings.add(place);
  }
  return reasons.map((reason) => issue('category.set', { reason }, { field: 'categories' }));
}

export function categoryByKey({ categories }: CategorySetDefinition, key: string): Category | undefined {
  return categories.find((category) => category.key === key);
}

/** A category with everything below it, in tree order. */
export function branchOf({ categories }: CategorySetDefinition, key: string): Category[] {
  const keys = new Set([key]);
  return categories.filter((category) => {
    const isIn = category.key === key || (category.parent !== null && keys.has(category.parent));
    if (isIn) keys.add(category.key);
    return isIn;
  });
}

/** How deep a category lies: 0 at the top. */
export function depthOf(set: CategorySetDefinition, key: string): number {
  const parent = categoryByKey(set, key)?.parent ?? null;
  return parent === null ? 0 : depthOf(set, parent) + 1;
}

/** The set with new categories at the end of their parent's branch. */
export function withCategoryAdded(
  set: CategorySetDefinition,
  label: string,
  parent: string | null,
): CategorySetDefinition {
  const taken = keysOf(set);
  const key = firstFreeSlug(slugOf(label) || 'category', (candidate) => taken.has(candidate));
  return inserted(set, [makeCategory({ key, label: normaliseLine(label), parent })], parent, null);
}

export function withCategoryChanged(
  set: CategorySetDefinition,
  key: string,
  change: Partial<Omit<Category, 'key' | 'parent'>>,
): CategorySetDefinition {
  return { ...set, categories: set.categories.map((own) => (own.key === key ? { ...own, ...change } : own)) };
}

/**
 * The set with a branch moved under another parent, before one of that parent's children or at its end. A branch can't
 * be moved into itself; then the set stays as it is.
 */
export function withCategoryMoved(
  set: CategorySetDefinition,
  key: string,
  parent: string | null,
  before: string | null,
): CategorySetDefinition {
  const branch = branchOf(set, key);
  if (branch.length === 0 || branch.some((own) => own.key === parent || own.key === before)) return set;
  const keys = new Set(branch.map((own) => own.key));
  const rest = { ...set, categories: set.categories.filter((own) => !keys.has(own.key)) };
  const moved = branch.map((own) => (own.key === key ? { ...own, parent } : own));
  return inserted(rest, moved, parent, before);
}

/** The set without a category; what lay under it moves up to its place. */
export function withCategoryRemoved(set: CategorySetDefinition, key: string): CategorySetDefinition {
  const gone = categoryByKey(set, key);
  if (!gone) return set;
  const categories = set.categories
    .filter((own) => own.key !== key)
    .map((own) => (own.parent === key ? { ...own, parent: gone.parent } : own));
  return { ...set, categories };
}

/** The set with one category merged into another: what lay under it follows, and its address leads to the other. */
export function withCategoriesMerged(set: CategorySetDefinition, from: string, into: string): CategorySetDefinition {
  const gone = categoryByKey(set, from);
  const target = categoryByKey(set, into);
  if (!gone || !target || branchOf(set, from).some(({ key }) => key === into)) return set;
  let merged: CategorySetDefinition = set;
  for (const child of set.categories.filter(({ parent }) => parent === from)) {
    merged = withCategoryMoved(merged, child.key, into, null);
  }
  const formerKeys = [...target.formerKeys, from, ...gone.formerKeys];
  return withCategoryChanged(withCategoryRemoved(merged, from), into, { formerKeys });
}

/** Categories of a list in which each line is one and deeper ones are indented, by spaces or tabs. */
export function withListPasted(set: CategorySetDefinition, text: string, parent: string | null): CategorySetDefinition {
  const above: { readonly indent: number; readonly key: string }[] = [];
  let result = set;
  for (const line of text.split(/\r?\n/)) {
    const label = normaliseLine(line.replace(/^[\s•*–-]+/u, ''));
    if (label === '') continue;
    const indent = (/^[\t ]*/.exec(line)?.[0] ?? '').replaceAll('\t', '    ').length;
    while (above.length > 0 && above.at(-1)!.indent >= indent) above.pop();
    const under = above.at(-1)?.key ?? parent;
    const known = result.categories.find((own) => own.parent === under && foldText(own.label) === foldText(label));
    if (!known) result = withCategoryAdded(result, label, under);
    const key =
      known?.key ??
      result.categories.find((own) => !keysOf(set).has(own.key) && own.parent === under && own.label === label)?.key;
    if (key !== undefined) above.push({ indent, key });
  }
  return result;
}

/** All keys of a set, those that were merged away too: none is given out again. */
function keysOf({ categories }: CategorySetDefinition): Set<string> {
  return new Set(categories.flatMap(({ key, formerKeys }) => [key, ...formerKeys]));
}

/** Puts a branch before a child of its parent, or at the end of that parent's branch. */
function inserted(
  set: CategorySetDefinition,
  branch: readonly Category[],
  parent: string | null,
  before: string | null,
): CategorySetDefinition {
  const { categories } = set;
  let at = before === null ? -1 : categories.findIndex(({ key }) => key === before);
  if (at < 0) {
    const last = parent === null ? undefined : branchOf(set, parent).at(-1);
    at = last ? categories.indexOf(last) + 1 : categories.length;
  }
  return { ...set, categories: [...categories.slice(0, at), ...branch, ...categories.slice(at)] };
}

/** The categories of a set as the choices of a field. */
export function choicesOfSet({ categories }: CategorySetDefinition): Choice[] {
  return categories.map(({ key, label, parent, icon, colour, text, picture, formerKeys }) => ({
    key,
    label,
    ...(parent !== null && { parent }),
    ...(icon !== '' && { icon }),
    ...(colour !== '' && { colour }),
    ...(text !== '' && { text }),
    ...(picture !== null && { picture }),
    ...(formerKeys.length > 0 && { formerKeys }),
  }));
}

/** The kind with the categories of its sets as the choices of their fields, by which everything else reads them. */
export function withCategories<Subject extends Pick<KindDefinition, 'fields'>>(
  kind: Subject,
  sets: readonly CategorySet[],
): Subject {
  if (!kind.fields.some(({ type }) => type === 'categories')) return kind;
  return { ...kind, fields: kind.fields.map((field) => withSetOf(field, sets)) };
}

function withSetOf(field: Field, sets: readonly CategorySet[]): Field {
  if (field.type !== 'categories') return field;
  const set = sets.find(({ id }) => id === field.settings.set);
  return { ...field, settings: { ...field.settings, choices: set ? choicesOfSet(set) : [] } };
}

/** The kind as it is kept: without the categories, which are kept with their sets. */
export function withoutCategories<Subject extends Pick<KindDefinition, 'fields'>>(kind: Subject): Subject {
  return {
    ...kind,
    fields: kind.fields.map((field) => {
      if (field.type !== 'categories') return field;
      const { choices: _, ...settings } = field.settings;
      return { ...field, settings };
    }),
  };
}
