import type { SiteWords } from '@plindo/core/values';
import { escapeHtml } from '@plindo/core/values';

/** What visitors see while more pages are being rendered than the site can keep up with; it needs nothing but itself. */
export function busyPage(words: SiteWords): string {
  const [title, text] = [words.say('busy.title'), words.say('busy.text')].map(escapeHtml);
  return `<!doctype html>
<html lang="${words.locale}">
  <meta charset="utf-8" />
  <meta name="viewport" content="width=device-width, initial-scale=1" />
  <title>${title}</title>
  <h1>${title}</h1>
  <p>${text}</p>
</html>
`;
}
