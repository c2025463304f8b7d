import type { Kind, Selection } from '../structure/index.js';
import { SELECTIONS_SLUG, isKindShown } from '../structure/index.js';

/** A place on the site at which a design is seen. */
export interface DesignUse {
  readonly label: string;
  readonly href: string;
}

/** Where the main card of a kind is seen: its index page, the front page, and pages of selections. */
export function usesOfMainCard(kind: Kind, selections: readonly Selection[]): DesignUse[] {
  if (!isKindShown(kind)) return [];
  const index = kind.hasIndexPage ? [{ label: kind.many, href: `/${kind.slug}` }] : [];
  const home = kind.hasIndexPage ? [{ label: 'Front page', href: '/' }] : [];
  const chosen = selections.filter(({ published, kinds }) => published && kinds.includes(kind.id));
  return [...index, ...home, ...chosen.map(({ name, slug }) => ({ label: name, href: `/${SELECTIONS_SLUG}/${slug}` }))];
}
