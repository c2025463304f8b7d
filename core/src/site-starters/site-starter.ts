import type { FrameDesign, LookDesign, PageDesign } from '../design/index.js';
import {
  CARD_STARTERS,
  PAGE_STARTERS,
  cardOfStarter,
  pageOfStarter,
  standardIndexPage,
  standardListingPage,
} from '../design/index.js';
import type { Blueprint, BlueprintDesign, BlueprintListing } from '../exchange/index.js';
import { BLUEPRINT_FORMAT, BLUEPRINT_VERSION } from '../exchange/index.js';
import type { CategorySetDefinition, KeptFile, KindDefinition, Picture, SiteSettings } from '../structure/index.js';
import { NEW_SITE } from '../structure/index.js';
import type { Drawing } from './drawings/drawing.js';

/** By what a whole site is begun. */
export interface StarterScene {
  /** The picture that is kept for a drawing, by its name. */
  readonly pictureOf: (name: string) => Picture;
  /** The day on which it is taken, as "2026-11-29", from which the dates of examples count. */
  readonly today: string;
}

/** What a whole site begins with. Kinds are numbered from 1 in their order, links too. */
export interface StarterSite {
  readonly name: string;
  readonly tagline: string;
  readonly categorySets: readonly CategorySetDefinition[];
  readonly kinds: readonly KindDefinition[];
  /** By the slugs of kinds, the names of the starters that its card, its listings' pages and its list begin with. */
  readonly designs: Readonly<
    Record<string, { readonly card: string; readonly listing: string; readonly index: string }>
  >;
  readonly links: Blueprint['links'];
  readonly home: PageDesign;
  readonly frame: FrameDesign;
  readonly look: LookDesign;
  /** Examples, to be thrown away when there are others. */
  readonly listings: readonly BlueprintListing[];
}

/** A whole site to begin with. */
export interface SiteStarter {
  readonly name: string;
  readonly label: string;
  /** What it is for, in a line. */
  readonly purpose: string;
  /** The pictures of its examples. */
  readonly drawings: readonly Drawing[];
  site(scene: StarterScene): StarterSite;
}

/** The site that a starter is taken on. */
export interface StarterTarget {
  readonly site: SiteSettings;
  /** Whether it has no kinds yet. */
  readonly isEmpty: boolean;
  /** The ground on which the examples lie, for a site that has none. */
  readonly baseMap: KeptFile;
}

/**
 * What taking a starter applies. A site that has kinds already keeps its settings, home page, header, footer and look; a
 * name that somebody has given the site stays.
 */
export function blueprintOfStarter(
  starter: SiteStarter,
  scene: StarterScene,
  { site, isEmpty, baseMap }: StarterTarget,
): Blueprint {
  const made = starter.site(scene);
  const isUnnamed = site.name === NEW_SITE.name;
  return {
    format: BLUEPRINT_FORMAT,
    version: BLUEPRINT_VERSION,
    site: {
      ...(isEmpty && isUnnamed ? { ...site, name: made.name, tagline: made.tagline } : site),
      baseMap: site.baseMap ?? baseMap,
    },
    categorySets: made.categorySets,
    kinds: made.kinds,
    links: made.links,
    selections: [],
    designs: [...made.kinds.flatMap((kind) => designsOf(kind, made)), ...(isEmpty ? designsAround(made) : [])],
    listings: made.listings,
  };
}

function designsOf(definition: KindDefinition, { designs }: StarterSite): BlueprintDesign[] {
  const kind = { ...definition, id: 0, version: 1 };
  const { slug, one, many } = definition;
  const { card, listing, index } = designs[slug]!;
  const named = <Starter extends { readonly name: string }>(all: readonly Starter[], name: string): Starter =>
    all.find((starter) => starter.name === name)!;
  return [
    { type: 'card', kind: slug, definition: cardOfStarter(named(CARD_STARTERS, card), kind, `${one} card`) },
    ...[
      pageOfStarter(named(PAGE_STARTERS, listing), kind, standardListingPage(kind)),
      pageOfStarter(named(PAGE_STARTERS, index), kind, standardIndexPage(many, kind)),
    ].map((page) => ({ type: 'page' as const, kind: slug, definition: page })),
  ];
}

function designsAround({ home, frame, look }: StarterSite): BlueprintDesign[] {
  return [
    { type: 'page', kind: null, definition: home },
    { type: 'frame', kind: null, definition: frame },
    { type: 'look', kind: null, definition: look },
  ];
}
