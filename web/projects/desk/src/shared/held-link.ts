/**
 * Keeps a click on a link of a page that is shown in small from leading away from the Desk. Answers the link's address
 * where it leads to a state of the page at `path`, to be shown there; null for any other.
 */
export function heldLink(event: MouseEvent, links: string, path: string): string | null {
  const href = (event.target as Element).closest(links)?.getAttribute('href');
  if (!href) return null;
  event.preventDefault();
  return href.split('?')[0] === path ? href : null;
}
