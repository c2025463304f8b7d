import type { Query } from '../../query/index.js';
import { MOST_SHOWN } from '../../query/index.js';
import type { Pager } from '../../structure/index.js';
import type { PagerModel } from './area-models.js';

const AROUND = 2;

export interface PagerInput {
  readonly mode: Pager;
  /** Entries on all pages. */
  readonly entries: number;
  readonly pageSize: number;
  readonly query: Query;
}

/** The pager of a page: first, last, and two numbers on each side; or what shows more. */
export function pagerModel(
  { mode, entries, pageSize, query }: PagerInput,
  hrefOf: (query: Query) => string,
): PagerModel {
  const { page } = query;
  const pages = Math.max(1, Math.ceil(entries / pageSize));
  const hrefOfPage = (number: number): string => hrefOf({ ...query, page: number, fromFirst: false });
  const isMoreShown = mode !== 'numbered' && page < pages && (page + 1) * pageSize <= MOST_SHOWN;
  return {
    mode,
    more: isMoreShown
      ? {
          href: hrefOf({ ...query, page: page + 1, fromFirst: true }),
          count: Math.min(pageSize, entries - page * pageSize),
        }
      : null,
    page,
    pages,
    previous: page > 1 ? hrefOfPage(Math.min(page - 1, pages)) : null,
    next: page < pages ? hrefOfPage(page + 1) : null,
    links: pageLinks(page, pages, hrefOfPage),
  };
}

function pageLinks(page: number, pages: number, hrefOf: (page: number) => string): PagerModel['links'] {
  const numbers = new Set<number>([1, pages]);
  for (let n = page - AROUND; n <= page + AROUND; n++) if (n >= 1 && n <= pages) numbers.add(n);
  const links: ({ page: number; href: string } | null)[] = [];
  let last = 0;
  for (const n of [...numbers].sort((a, b) => a - b)) {
    // A gap of one page is shown as that page.
    if (n - last === 2) links.push({ page: n - 1, href: hrefOf(n - 1) });
    else if (n - last > 2) links.push(null);
    links.push({ page: n, href: hrefOf(n) });
    last = n;
  }
  return links;
}
