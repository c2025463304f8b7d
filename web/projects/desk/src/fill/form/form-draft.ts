import type { Listing, ListingContent, ListingInput, Status } from '@plindo/core/listings';
import { BLANK_CONTENT, newContent } from '@plindo/core/listings';
import type { ExpiryChoice, Field, Kind, LinkEdit, Picture } from '@plindo/core/structure';
import { fieldType, hasPart, textOfMoment } from '@plindo/core/structure';
import { isSame } from '@plindo/core/values';
import { linkEdit } from '../link-edit';

/** What stands in the form: everything as it was kept, or as it has been typed since. */
export interface Draft {
  readonly title: string;
  readonly summary: string;
  readonly slug: string;
  readonly picture: Picture | null;
  readonly body: string;
  readonly place: unknown;
  readonly author: string;
  readonly status: Status;
  /** Moments as they are typed, or as they are kept; '' for none. */
  readonly shownFrom: unknown;
  readonly shownUntil: unknown;
  readonly expiry: ExpiryChoice | null;
  readonly featured: boolean;
  readonly featuredFrom: unknown;
  readonly featuredUntil: unknown;
  readonly handOrder: string;
  readonly values: Readonly<Record<string, unknown>>;
}

/** What a new listing of a kind begins with. */
export function newDraft(kind: Kind): Draft {
  const defaults = kind.fields.filter((field) => field.default !== null);
  const { title, summary, slug, picture, body, place, author, featured } = BLANK_CONTENT;
  return {
    ...{ title, summary, slug, picture, body, place, author, featured },
    ...windowsOf(BLANK_CONTENT),
    status: kind.startStatus,
    expiry: newContent(kind).expiry,
    handOrder: '',
    values: Object.fromEntries(defaults.map((field) => [field.key, field.default])),
  };
}

export function draftOf(listing: Listing): Draft {
  const { title, summary, slug, picture, body, place, author, status, featured, expiry, values, handOrder } = listing;
  return {
    ...{ title, summary, slug, picture, body, place, author, status, featured, expiry, values },
    ...windowsOf(listing),
    handOrder: handOrder === null ? '' : String(handOrder),
  };
}

export const WINDOW_ENDS = ['shownFrom', 'shownUntil', 'featuredFrom', 'featuredUntil'] as const;
export type WindowEnd = (typeof WINDOW_ENDS)[number];

/** The ends of a listing's windows as a date-and-time field has them. */
function windowsOf(listing: ListingContent): Pick<Draft, WindowEnd> {
  const textOf = (moment: number | null): string => (moment === null ? '' : textOfMoment(moment));
  const { shownFrom, shownUntil, featuredFrom, featuredUntil } = listing;
  return {
    shownFrom: textOf(shownFrom),
    shownUntil: textOf(shownUntil),
    featuredFrom: textOf(featuredFrom),
    featuredUntil: textOf(featuredUntil),
  };
}

/** Everything in the form as an input; every field is named, so that an emptied one is emptied. */
export function inputOf({ values, slug, author, ...parts }: Draft, kind: Kind, listing: Listing | null): ListingInput {
  const plain = kind.fields.filter(({ type }) => type !== 'link' && fieldType(type).control !== 'none');
  const all = Object.fromEntries([
    ...plain.map(({ key }) => [key, values[key] ?? null] as const),
    ...kind.fields.filter(({ type }) => type === 'link').flatMap(({ key }) => linkEdits(key, values, listing)),
  ]);
  return {
    ...parts,
    ...(slug.trim() !== '' && { slug: slug.trim() }),
    ...(hasPart(kind, 'author') && author !== '' && { author }),
    values: all,
  };
}

/** The change of one link, if it was touched: what it was when the form was opened, and what it shall be. */
function linkEdits(key: string, values: Draft['values'], listing: Listing | null): (readonly [string, LinkEdit])[] {
  const edit = linkEdit(listing?.values[key], values[key]);
  const isUntouched = isSame(linkEdit(null, listing?.values[key]).now, edit.now);
  // A new listing's links are always told, so that one that is required is asked for.
  return isUntouched && listing ? [] : [[key, edit]];
}

function isEmpty(value: unknown, { type }: Field): boolean {
  if (fieldType(type).control === 'none') return false;
  const isBlank = value === undefined || value === null || value === '';
  return isBlank || (Array.isArray(value) && value.length === 0);
}

/**
 * What a reader would miss, in short sentences; `kind` with the fields that are asked for, and the keys of those that
 * stand on its card.
 */
export function missingFrom(draft: Draft, kind: Kind, onCard: readonly string[]): string[] {
  const missing: string[] = [];
  if (hasPart(kind, 'picture') && !draft.picture) missing.push('No lead picture');
  if (draft.picture?.alt === '') missing.push('The lead picture has no words for those who cannot see it');
  if (hasPart(kind, 'summary') && draft.summary.trim() === '') missing.push('No summary');
  if (hasPart(kind, 'body') && draft.body === '') missing.push('No body');
  for (const field of kind.fields) {
    if (!isEmpty(draft.values[field.key], field)) continue;
    if (field.required) missing.push(`${field.label} is required and empty`);
    else if (onCard.includes(field.key)) missing.push(`${field.label} is empty, and stands on cards`);
  }
  return missing;
}

/**
 * What somebody has typed over a state of a listing, put over a later state of it: where they have changed something
 * theirs stays, everything else is as it is by now. `clashes` names what both have changed.
 */
export function mergedDraft(
  mine: Draft,
  base: Draft,
  now: Draft,
): { readonly draft: Draft; readonly clashes: readonly string[] } {
  const clashes: string[] = [];
  const keys = new Set([...Object.keys(mine.values), ...Object.keys(base.values), ...Object.keys(now.values)]);
  const chosen = (name: string, own: unknown, was: unknown, is: unknown): unknown => {
    if (isSame(own, was)) return is;
    if (!isSame(was, is) && !isSame(own, is)) clashes.push(name);
    return own;
  };
  const values = Object.fromEntries(
    [...keys]
      .map((key) => [key, chosen(key, mine.values[key], base.values[key], now.values[key])] as const)
      .filter(([, value]) => value !== undefined),
  );
  const parts = (Object.keys(now) as (keyof Draft)[])
    .filter((part) => part !== 'values')
    .map((part) => [part, chosen(part, mine[part], base[part], now[part])]);
  return { draft: { ...(Object.fromEntries(parts) as Omit<Draft, 'values'>), values }, clashes };
}
