import type { Catalog } from '../../catalog/index.js';
import type { KindById, ReadContext } from '../../structure/index.js';

/** What queries are answered with: the catalogs, and the moment, zone and locale of the answer. */
export interface QueryScene {
  /** The catalog of a kind; undefined when there is no such kind, or visitors may not see it. */
  catalogOf(kindId: number): Catalog | undefined;
  /** All catalogs that visitors may see, in the order of their kinds. */
  catalogs(): readonly Catalog[];
  readonly context: ReadContext;
}

/** The kinds that visitors may see, by their numbers. */
export function kindsOf(scene: QueryScene): KindById {
  return (id) => scene.catalogOf(id)?.kind;
}

/** A scene of one catalog alone. */
export function sceneOf(catalog: Catalog, context: ReadContext): QueryScene {
  return {
    context,
    catalogOf: (id) => (id === catalog.kind.id ? catalog : undefined),
    catalogs: () => [catalog],
  };
}
