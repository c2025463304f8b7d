import type { PageScene } from '../frame.js';
import { frame } from '../frame.js';
import type { NotFoundPage } from '../page-model.js';

export function notFoundPage(scene: PageScene): NotFoundPage {
  const title = scene.context.formats.words.say('page.gone');
  return { ...frame(scene, { title, description: '', canonical: '/' }), type: 'not-found' };
}
