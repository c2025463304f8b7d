import type { Kind, KindById, Selection } from '../structure/index.js';
import { SELECTIONS_SLUG, SHORTLIST_SLUG, isKindShown } from '../structure/index.js';
import type { Design, KeptPage } from './design.js';
import { isPage, pagesFor, wholePage } from './design.js';
import { listsKind } from './designs-on-page.js';
import { piecesOfPage } from './pages/page-design.js';

/** A place on the site at which a design is seen. */
export interface DesignUse {
  readonly label: string;
  readonly href: string;
}

/** Where the main card of a kind is seen: its index page, pages that list it, and pages of selections. */
export function usesOfMainCard(
  kind: Kind,
  designs: readonly Design[],
  selections: readonly Selection[],
  kindById: KindById,
): DesignUse[] {
  if (!isKindShown(kind)) return [];
  const index = kind.hasIndexPage ? [{ label: kind.many, href: `/${kind.slug}` }] : [];
  // The home page that nobody has designed shows every kind.
  const isPlainHome = kind.hasIndexPage && pagesFor('home', null, designs).length === 0;
  const choosing = selections.filter(({ kinds }) => kinds.includes(kind.id));
  const lists = ({ definition, kindId }: KeptPage): boolean =>
    piecesOfPage(definition).some((piece) => listsKind(piece, kind, kindById(kindId ?? 0) ?? null, choosing, kindById));
  const pages = designs.filter(isPage).filter((page) => lists(wholePage(page, designs)));
  return [
    ...index,
    ...(isPlainHome ? [{ label: 'Home page', href: '/' }] : []),
    ...pages.flatMap((page) => useOfPage(page, kindById)),
    ...choosing
      .filter(({ published }) => published)
      .map(({ name, slug }) => ({ label: name, href: `/${SELECTIONS_SLUG}/${slug}` })),
  ];
}

/** Of pages of listings the index page stands for all. */
function useOfPage({ definition, kindId }: KeptPage, kindById: KindById): DesignUse[] {
  const { name, serves, address } = definition;
  if (serves === 'home') return [{ label: name, href: '/' }];
  if (serves === 'shortlist') return [{ label: name, href: `/${SHORTLIST_SLUG}` }];
  if (serves === 'free') return [{ label: name, href: `/${address}` }];
  if (serves === 'part') return [];
  const kind = kindId === null ? undefined : kindById(kindId);
  return kind ? [{ label: name, href: `/${kind.slug}` }] : [];
}
