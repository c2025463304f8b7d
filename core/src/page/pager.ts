import type { PagerModel } from './page-model.js';

const AROUND = 2;

/** The pager of `total` listings, `pageSize` a page, at `page` (from 1): first, last, and two on each side. */
export function pagerModel(
  { total, pageSize, page }: { total: number; pageSize: number; page: number },
  hrefOf: (page: number) => string,
): PagerModel {
  const pages = Math.max(1, Math.ceil(total / pageSize));
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
  return {
    page,
    pages,
    previous: page > 1 ? hrefOf(Math.min(page - 1, pages)) : null,
    next: page < pages ? hrefOf(page + 1) : null,
    links,
  };
}
