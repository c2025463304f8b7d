import type { LookDesign } from '../design/index.js';
import { customProperties, looksOf } from '../design/index.js';
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

/** A look as the declarations of a style attribute. */
export function styleOf(look: LookDesign | undefined): string {
  const properties = look ? Object.entries(customProperties(look)) : [];
  return properties.map(([name, value]) => `${name}: ${value}`).join('; ');
}

/** What all pages have. */
export function frame(scene: PageScene, head: { title: string; description: string; canonical: string }): PageFrame {
  const { site, now, kinds } = scene;
  const title = head.title === '' ? site.name : `${head.title} – ${site.name}`;
  const description = head.description.slice(0, LONGEST_DESCRIPTION);
  const look = styleOf(looksOf(scene.designs)[0]?.definition);
  const { sent: words } = scene.context.formats.words;
  return { site, look, words, now: now.toISOString(), kinds, canonical: head.canonical, title, description };
}
