import { PrintHash } from '../catalog/index.js';
import type { LookDesign } from '../design/index.js';
import { customProperties, frameOf, looksOf } from '../design/index.js';
import type { SiteSettings } from '../structure/index.js';
import type { CardScene } from './cards/card-maker.js';
import type { PageLink } from './frame-model.js';
import type { PageFrame } from './page-model.js';
import type { SiteAround } from './site-frame.js';
import { siteFrame } from './site-frame.js';

/** What every page is made with; the clock is the caller's. */
export interface PageScene extends CardScene {
  readonly site: SiteSettings;
  readonly now: Date;
  /** Links to the lists of all published kinds, and to the pages that stand in the menu. */
  readonly kinds: readonly PageLink[];
  /** Header and footer, where they are made already; every page has the same. */
  readonly around?: SiteAround;
}

const LONGEST_DESCRIPTION = 160;

/** A look as the declarations of a style attribute. */
export function styleOf(look: LookDesign | undefined): string {
  const properties = look ? Object.entries(customProperties(look)) : [];
  return properties.map(([name, value]) => `${name}: ${value}`).join('; ');
}

/** The address of the sheet with the own CSS of a look; another one for every other text. '' for none. */
export function ownSheetOf(look: LookDesign | undefined): string {
  if (!look || look.css.trim() === '') return '';
  return `/own-sheets/${new PrintHash().add(look.css).value().toString(36)}.css`;
}

/** What pages of every sort have in common. */
export function frame(scene: PageScene, head: { title: string; description: string; canonical: string }): PageFrame {
  const { site, now, kinds, kindById, context } = scene;
  const title = head.title === '' ? site.name : `${head.title} – ${site.name}`;
  const description = head.description.slice(0, LONGEST_DESCRIPTION);
  const [worn] = looksOf(scene.designs);
  const look = styleOf(worn?.definition);
  const ownSheet = ownSheetOf(worn?.definition);
  const { sent: words } = scene.context.formats.words;
  const own = frameOf(scene.designs)?.definition;
  const around = scene.around ?? siteFrame(own, kinds, { kindById, words: context.formats.words });
  return {
    site,
    look,
    ownSheet,
    words,
    now: now.toISOString(),
    ...around,
    canonical: head.canonical,
    title,
    description,
  };
}
