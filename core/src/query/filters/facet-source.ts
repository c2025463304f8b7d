import type { Catalog, Column } from '../../catalog/index.js';
import { Bitset } from '../../catalog/index.js';
import type { Facet } from '../../structure/index.js';
import { columnOf, fieldAt, plainField } from '../../structure/index.js';
import type { TimeUnit } from '../../time/index.js';
import { Reach } from './reach.js';
import type { QueryScene } from './scene.js';

/** Where the values of a facet lie: in a column of the catalog itself, or in one that is reached through links. */
export interface FacetSource {
  readonly catalog: Catalog;
  readonly column: Column;
  /** How the column's catalog is reached; null when it is the one that is asked. */
  readonly reach: Reach | null;
  /** What the numbers of the column count, where they are times. */
  readonly time: TimeUnit | null;
  /** Of a link's own listings, by number of a choice, whether visitors see it; null where every choice can be seen. */
  readonly visible: Uint8Array | null;
}

/** The source of a facet; null when what it asks about isn't there. */
export function sourceOf(
  { through, field, control }: Pick<Facet, 'through' | 'field' | 'control'>,
  catalog: Catalog,
  scene: QueryScene,
): FacetSource | null {
  const reach = through.length === 0 ? null : Reach.along(through, catalog, scene);
  if (through.length > 0 && !reach) return null;
  const target = reach?.target ?? catalog;
  const definition = fieldAt(target.kind, field);
  const own = target.column(field);
  if (!definition || !own) return null;
  const column = control === 'letters' && own.kind === 'text' ? own.initialsColumn() : own;
  const spec = columnOf(plainField(definition));
  const visible =
    own.kind === 'choices' && definition.type === 'link'
      ? (Reach.along([...through, field], catalog, scene)?.visibleChoices() ?? new Uint8Array(own.keys.length))
      : null;
  return { catalog: target, column, reach, visible, time: (spec?.kind === 'number' && spec.time) || null };
}

/** Whether a facet asks about something that is there, but of which no listing has a value yet. */
export function asksOfNothing(
  { through, field }: Pick<Facet, 'through' | 'field'>,
  catalog: Catalog,
  scene: QueryScene,
): boolean {
  const target = through.length === 0 ? catalog : Reach.along(through, catalog, scene)?.target;
  return target !== undefined && fieldAt(target.kind, field) !== undefined && target.column(field) === undefined;
}

/** The rows of the asked catalog that have, or reach, one of the column's rows. */
export function rowsHaving({ reach, catalog }: FacetSource, targets: Bitset, scene: QueryScene): Bitset {
  return reach ? reach.rowsReaching(targets.intersect(catalog.onSiteAt(scene.context.nowInMs))) : targets;
}

/** No row at all. */
export function noRows(catalog: Catalog): Bitset {
  return new Bitset(catalog.existing.capacity);
}
