import type { Kind } from '@plindo/core/structure';
import { MOST_STEPS } from '@plindo/core/structure';

/** A way through link fields to a kind, and its words: "Harbour → ". */
export interface WayThroughLinks {
  readonly to: Kind;
  readonly through: readonly string[];
  readonly label: string;
}

/** All ways through the links of a kind; those that go on behind one come right after it. */
export function waysThroughLinks(
  kind: Kind,
  kinds: readonly Kind[],
  through: readonly string[] = [],
  label = '',
): WayThroughLinks[] {
  if (through.length === MOST_STEPS) return [];
  return kind.fields.flatMap((link) => {
    const to = kinds.find(({ id }) => id === link.settings.linked?.kindId);
    if (link.type !== 'link' || !to) return [];
    const way = { to, through: [...through, link.key], label: `${label}${link.label} → ` };
    return [way, ...waysThroughLinks(to, kinds, way.through, way.label)];
  });
}
