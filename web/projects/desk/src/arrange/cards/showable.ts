import { SHOWN_PARTS } from '@plindo/core/design';
import type { Field, Kind } from '@plindo/core/structure';
import { BUILT_IN_PARTS, hasPart } from '@plindo/core/structure';

/** Something of a listing that a slot can show. */
export interface Showable {
  readonly through: readonly string[];
  readonly field: Field;
  /** "Price", "Harbour → Facilities". */
  readonly label: string;
}

const MOST_STEPS = 2;
const OF_LINKED: readonly string[] = ['@title', '@summary', '@picture'];

/** All that slots can show of the listings of a kind: its fields, its built-in parts, and those of linked listings. */
export function showablesOf(
  kind: Kind,
  kinds: readonly Kind[],
): { own: Showable[]; parts: Showable[]; linked: Showable[] } {
  const plain = (field: Field): Showable => ({ through: [], field, label: field.label });
  const parts = SHOWN_PARTS.filter(({ key }) => {
    const part = BUILT_IN_PARTS.find((one) => `@${one}` === key);
    return !part || hasPart(kind, part);
  });
  return { own: kind.fields.map(plain), parts: parts.map(plain), linked: reachedFrom(kind, kinds, [], '') };
}

function reachedFrom(kind: Kind, kinds: readonly Kind[], through: readonly string[], label: string): Showable[] {
  if (through.length === MOST_STEPS) return [];
  return kind.fields.flatMap((link) => {
    const to = kinds.find(({ id }) => id === link.settings.linked?.kindId);
    if (link.type !== 'link' || !to) return [];
    const [way, words] = [[...through, link.key], `${label}${link.label} → `];
    const parts = SHOWN_PARTS.filter(({ key }) => OF_LINKED.includes(key));
    const near = [...parts, ...to.fields].map((field) => ({ through: way, field, label: words + field.label }));
    return [...near, ...reachedFrom(to, kinds, way, words)];
  });
}

/** How a showable stands in a list of choices, and how it is found there. */
export function keyOfShowable({ through, field }: { through: readonly string[]; field: { key: string } }): string {
  return [...through, field.key].join('/');
}
