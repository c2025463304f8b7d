import type { ReadBatch, RowReport } from '@plindo/core/exchange';
import { wantedUniques, withoutTaken } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import { firstFreeSlug } from '@plindo/core/values';
import type { Unit } from '../../store/index.js';
import { uniqueKey } from '../../store/index.js';
import { withReferences } from '../listings/writing.js';

/**
 * Adds the rows of a batch to a kind, inside a unit; `known` are the addresses that are taken already. Answers the addresses
 * that it took, one a row, and the rows that are refused as they have what only one listing may have.
 */
export async function addRows(
  unit: Unit,
  kind: Kind,
  read: ReadBatch,
  known: ReadonlySet<string>,
): Promise<{ readonly taken: ReadonlySet<string>; readonly reports: readonly RowReport[] }> {
  const holders = await unit.holders(kind.id, wantedUniques(read, kind));
  const { rows, reports } = withoutTaken(read, kind, (field, value) => holders.get(uniqueKey(field, value))?.title);
  const numbered = await withReferences(
    unit,
    kind,
    rows.map(({ content }) => content),
  );
  const taken = new Set<string>();
  const added = numbered.map((content) => {
    const slug = firstFreeSlug(content.slug, (candidate) => known.has(candidate) || taken.has(candidate));
    taken.add(slug);
    return { ...content, slug };
  });
  await unit.insertListings(kind.id, added);
  return { taken, reports };
}
