/** Where the titles of the cards in the HTML of a page lead, in their order. */
export function cardLinks(html: string): string[] {
  return Array.from(html.matchAll(/<h3[^>]*>(?:<!--.*?-->)*<a[^>]*href="([^"]+)"/g), ([, href = '']) => href);
}
