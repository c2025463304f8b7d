import type { ReadContext, SiteSettings } from '../structure/index.js';
import type { KindLink, PageFrame } from './page-model.js';

/** What every page is made with; the clock is the caller's. */
export interface PageScene {
  readonly site: SiteSettings;
  readonly now: Date;
  /** Of the site's locale and zone, at this moment. */
  readonly context: ReadContext;
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
