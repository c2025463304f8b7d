import type { Catalog } from '../../catalog/index.js';

/**
 * The listings of a kind that have most values in common with one, in some fields of choices or links: those that share
 * most first, then by title. One that shares nothing is left out.
 */
export function alikeIds(
  id: number,
  fields: readonly string[],
  catalog: Catalog,
  { most, nowInMs }: { readonly most: number; readonly nowInMs: number },
): number[] {
  const own = catalog.rowOf(id);
  if (own === undefined) return [];
  const onSite = catalog.onSiteAt(nowInMs);
  const shared = new Map<number, number>();
  for (const key of fields) {
    const column = catalog.column(key);
    if (column?.kind !== 'choices') continue;
    for (const number of column.numbersAt(own)) {
      column.rowsWith(number).forEach((row) => {
        if (row !== own && onSite.has(row)) shared.set(row, (shared.get(row) ?? 0) + 1);
      });
    }
  }
  const title = (row: number): string => catalog.title.textAt(row) ?? '';
  const rows = [...shared].sort(([a, x], [b, y]) => y - x || (title(a) < title(b) ? -1 : 1));
  return rows.slice(0, most).map(([row]) => catalog.ids[row]!);
}
