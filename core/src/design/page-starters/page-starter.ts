import type { Cast, FieldRole, Kind } from '../../structure/index.js';
import { castOf, missingRoles } from '../../structure/index.js';
import { wordsOf } from '../../values/index.js';
import type { PageDesign, PageSketch } from '../pages/page-design.js';
import { makePage } from '../pages/page-design.js';
import type { PagePurpose } from '../pages/page-purpose.js';
import { shownParts } from '../slots/slot-fields.js';
import { replacePage } from '../pages/page-steps.js';
import type { DesignStep } from '../steps.js';

/** A page to begin with, for the listings or the list of kinds of some sort. */
export interface PageStarter {
  readonly name: string;
  readonly label: string;
  /** What it is for, in a line. */
  readonly purpose: string;
  readonly serves: Extract<PagePurpose, 'listing' | 'index'>;
  /** Words of what kinds are called that it is for. */
  readonly kinds: readonly string[];
  readonly roles: readonly FieldRole[];
  strips(cast: Cast, kind: Kind): PageSketch['strips'];
}

/** The page with what a starter makes for a kind in the place of its strips; what else is said of it stays. */
export function pageOfStarter(
  starter: PageStarter,
  kind: Kind,
  page: PageDesign,
  cast = pageCast(starter, kind),
): PageDesign {
  const strips = starter.strips(cast, kind).filter(({ columns }) => {
    return columns.some(({ pieces }) => pieces.length > 0);
  });
  return { ...page, strips: makePage({ name: page.name, serves: page.serves, strips }).strips };
}

/** Begins a page anew; it is a step like any other. */
export function beginPage(
  starter: PageStarter,
  kind: Kind,
  page: PageDesign,
  cast = pageCast(starter, kind),
): DesignStep {
  const after = pageOfStarter(starter, kind, page, cast);
  return replacePage(page, after, `Began with “${starter.label}”`);
}

/** What a kind lacks without which a page is worth little. */
export function lackingFor(starter: PageStarter, kind: Kind): FieldRole[] {
  return missingRoles(starter.roles, pageCast(starter, kind));
}

/** Which field plays which part; the place that the kind has as one of its parts can play one, too. */
export function pageCast({ roles }: PageStarter, kind: Kind): Cast {
  return castOf(roles, { fields: [...shownParts(kind).filter(({ type }) => type === 'place'), ...kind.fields] });
}

/**
 * How well a page fits a kind: the share of its roles that fields play, from 0 to 1 (1 for one that asks for nothing), and 2 more where it is for kinds of
 * that name, which tells more than a field of some type; less than 0 where something is missing that it needs.
 */
export function pageFit(starter: PageStarter, kind: Kind): number {
  const { roles, kinds } = starter;
  const cast = pageCast(starter, kind);
  if (lackingFor(starter, kind).length > 0) return -1;
  const filled = roles.filter(({ name }) => cast[name] !== undefined).length;
  const words = wordsOf(`${kind.one} ${kind.many}`);
  return (roles.length === 0 ? 1 : filled / roles.length) + (kinds.some((name) => words.includes(name)) ? 2 : 0);
}
