import type { SiteWords } from '@plindo/core/values';
import { plainPage } from './plain-page.js';

/** What visitors see while more pages are being rendered than the site can keep up with. */
export function busyPage(words: SiteWords): string {
  return plainPage(words.locale, words.say('busy.title'), words.say('busy.text'));
}
