import { escapeHtml } from '@plindo/core/values';

/** A page that needs nothing but itself: for when no other one can be made. */
export function plainPage(locale: string, title: string, text: string): string {
  const [head, said] = [title, text].map(escapeHtml);
  return `<!doctype html>
<html lang="${locale}">
  <meta charset="utf-8" />
  <meta name="viewport" content="width=device-width, initial-scale=1" />
  <title>${head}</title>
  <h1>${head}</h1>
  <p>${said}</p>
</html>
`;
}
