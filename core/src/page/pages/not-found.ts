import type { PageScene } from '../frame.js';
import { frame } from '../frame.js';
import type { NotFoundPage } from '../page-model.js';

export function notFoundPage(scene: PageScene): NotFoundPage {
  return { ...frame(scene, { title: 'Nothing here', description: '', canonical: '/' }), type: 'not-found' };
}
