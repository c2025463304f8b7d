import type { SiteSettings } from '../structure/index.js';
import type { CardScene } from './cards/card-maker.js';
import type { KindLink, PageFrame } from './page-model.js';

/** What every page is made with; the clock is the caller's. */
export interface PageScene extends CardScene {
  readonly site: SiteSettings;
  readonly now: Date;
  readonly kinds: readonly KindLink[];
}

const LONGEST_DESCRIPTION = 160;

/** What all pages have. */
export function frame(scene: PageScene, head: { title: string; description: string; canonical: string }): PageFrame {
  const { site, now, kinds } = scene;
  const title = head.title === '' ? site.name : `${head.title} – ${site.name}`;
  const description = head.description.slice(0, LONGEST_DESCRIPTION);
  return { site, now: now.toISOString(), kinds, canonical: head.canonical, title, description };
}
