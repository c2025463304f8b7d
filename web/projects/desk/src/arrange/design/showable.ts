import { SHOWN_PARTS, shownParts } from '@plindo/core/design';
import type { Field, Kind } from '@plindo/core/structure';
import { waysThroughLinks } from '../ways-through-links';

/** Something of a listing that a slot can show. */
export interface Showable {
  readonly through: readonly string[];
  readonly field: Field;
  /** "Price", "Harbour → Facilities". */
  readonly label: string;
}

const OF_LINKED: readonly string[] = ['@title', '@summary', '@picture'];

/** All that slots can show of the listings of a kind: its fields, its built-in parts, and those of linked listings. */
export function showablesOf(
  kind: Kind,
  kinds: readonly Kind[],
): { own: Showable[]; parts: Showable[]; linked: Showable[] } {
  const plain = (field: Field): Showable => ({ through: [], field, label: field.label });
  const partsOfLinked = SHOWN_PARTS.filter(({ key }) => OF_LINKED.includes(key));
  const linked = waysThroughLinks(kind, kinds).flatMap(({ to, through, label }) =>
    [...partsOfLinked, ...to.fields].map((field): Showable => ({ through, field, label: label + field.label })),
  );
  return { own: kind.fields.map(plain), parts: shownParts(kind).map(plain), linked };
}

/** How a showable stands in a list of choices, and how it is found there. */
export function keyOfShowable({ through, field }: { through: readonly string[]; field: { key: string } }): string {
  return [...through, field.key].join('/');
}

/** The same under headings, as lists of choices have them; headings with nothing below are left out. */
export function showableGroups(
  kind: Kind | null,
  kinds: readonly Kind[],
): { readonly label: string; readonly of: readonly Showable[] }[] {
  if (!kind) return [];
  const { own, parts, linked } = showablesOf(kind, kinds);
  const all = [
    { label: 'Fields', of: own },
    { label: 'Of every listing', of: parts },
    { label: 'Of linked listings', of: linked },
  ];
  return all.filter(({ of }) => of.length > 0);
}
