import type { PageStarter } from '../design/index.js';
import {
  cardOfStarter,
  cardStartersFor,
  fitOf,
  pageFit,
  pageOfStarter,
  pageStartersFor,
  standardIndexPage,
  standardListingPage,
} from '../design/index.js';
import type { Kind } from '../structure/index.js';
import type { UnplacedDesign } from './design-plan.js';

/** From here on a starter is for kinds of the very name; what a field of some type does for it counts less. */
const FITS_BY_NAME = 1;

/**
 * The designs with which a kind that comes from a file begins: the card and the pages that fit it best, so that it looks
 * finished before anybody designs. Its list has the page that every list has, unless it is called like one that wants another.
 */
export function firstDesigns(kind: Kind): UnplacedDesign[] {
  const [card] = cardStartersFor(kind);
  const listing = bestPage(kind, 'listing', 0);
  const index = bestPage(kind, 'index', FITS_BY_NAME);
  const kindId = kind.id;
  return [
    ...(card && fitOf(card, kind) > 0
      ? [{ type: 'card' as const, kindId, definition: cardOfStarter(card, kind, `${kind.one} card`) }]
      : []),
    ...(listing
      ? [{ type: 'page' as const, kindId, definition: pageOfStarter(listing, kind, standardListingPage(kind)) }]
      : []),
    ...(index
      ? [{ type: 'page' as const, kindId, definition: pageOfStarter(index, kind, standardIndexPage(kind.many, kind)) }]
      : []),
  ];
}

/** The page to begin with that fits a kind best, and better than so well; undefined for none. */
function bestPage(kind: Kind, serves: PageStarter['serves'], least: number): PageStarter | undefined {
  const [first] = pageStartersFor(kind, serves);
  return first && pageFit(first, kind) > least ? first : undefined;
}
