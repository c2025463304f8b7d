import type { Slot } from '../../design/index.js';
import { isValue } from '../../design/index.js';
import type { SortChoice } from '../../structure/index.js';
import { fieldOfSubject } from '../../structure/index.js';
import type { TableHead } from './area-models.js';
import type { AreaParts } from './area-parts.js';

/** The heads of a table by the keys of its columns: a column that shows what a sort choice goes by leads to that. */
export function tableHeads(
  columns: readonly Slot[],
  { design, sorts, sortHref }: AreaParts,
): Record<string, TableHead> {
  const current = sorts.find((sort) => sort.current)?.key;
  const heads = columns.map(({ key, text }): readonly [string, TableHead] => {
    const [value, ...more] = text.filter(isValue);
    const field = value && more.length === 0 && value.through.length === 0 ? value.field : null;
    const choices = design.sortChoices.filter(
      ({ order }) => field !== null && order[0] && fieldOfSubject(order[0].by) === field,
    );
    const now = choices.find((choice) => choice.key === current);
    // Of one that has one order alone the link stays, so that whoever has just pressed it is not sent away.
    const next = choices.find((choice) => choice !== now) ?? now;
    return [key, { href: next ? sortHref(next.key) : null, order: now ? directionOf(now) : null }];
  });
  return Object.fromEntries(heads);
}

function directionOf({ order }: SortChoice): 'ascending' | 'descending' {
  return order[0]?.direction === 'down' ? 'descending' : 'ascending';
}
