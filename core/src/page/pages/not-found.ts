import type { Kind } from '../../structure/index.js';
import type { PageScene } from '../frame.js';
import { frame } from '../frame.js';
import type { NotFoundPage } from '../page-model.js';
import { searchLink } from '../site-frame.js';

/** The page at all addresses that lead nowhere; its search is that of the header, else that of the first of some kinds. */
export function notFoundPage(scene: PageScene, kinds: readonly Kind[]): NotFoundPage {
  const { words } = scene.context.formats;
  const around = frame(scene, { title: words.say('page.gone'), description: '', canonical: '/' });
  const [first] = kinds;
  return { ...around, type: 'not-found', search: around.header.search ?? (first ? searchLink(first, words) : null) };
}
