import { buildCatalog } from '../catalog/index.js';
import type { Catalog } from '../catalog/index.js';
import type { Listing } from '../listings/index.js';
import type { DesignedPage } from '../page/index.js';
import { indexPage, listNamedByKind } from '../page/index.js';
import { firstDesigns } from '../plans/index.js';
import { sceneOf } from '../query/index.js';
import type { Kind, KindSketch, ReadContext, SiteSettings } from '../structure/index.js';
import { kindOfImport } from '../structure/index.js';
import type { FileTable } from './tables/file-table.js';
import type { BadValuePolicy } from './import-rows.js';
import type { ImportPlan } from './columns/import-plan.js';
import { readImportRow } from './import-rows.js';
import { RowReader } from './row-reader.js';

/** What is to come of a file: the plan of its columns, what happens to bad values, and the kind that it makes. */
export interface PlannedImport {
  readonly plan: ImportPlan;
  readonly policy: BadValuePolicy;
  readonly kind: KindSketch;
}

const PREVIEW_KIND = 1;

/**
 * The index page that visitors would have of the rows of a file, in any state, worked out from the file alone: nothing
 * is sent or kept. Rows that would be refused are not on it.
 */
export class ImportPreview {
  private readonly listings: ReadonlyMap<number, Listing>;
  private readonly catalog: Catalog;

  constructor(
    table: FileTable,
    planned: PlannedImport,
    private readonly site: SiteSettings,
    private readonly context: ReadContext,
  ) {
    const kind = {
      ...kindOfImport(planned.kind, context.formats.words),
      id: PREVIEW_KIND,
      version: 1,
      published: true,
    };
    this.listings = new Map(listingsOf(table, planned, context).map((listing) => [listing.id, listing]));
    this.catalog = buildCatalog(kind, this.listings.values(), site.locale, this.listings.size);
  }

  /** The page in the state of the part of an address after "?". */
  page(search: string): Promise<DesignedPage> {
    const { catalog, context, site, listings } = this;
    const { kind } = catalog;
    const kindById = (): Kind => kind;
    const designs = firstDesigns(kind).map((design, at) => ({ ...design, id: at + 1, version: 1, position: at + 1 }));
    const scene = { site, now: new Date(context.nowInMs), context, kinds: [], kindById, designs };
    return indexPage(scene, listNamedByKind(catalog), search, {
      queries: sceneOf(catalog, context),
      selections: [],
      listings: (ids) => Promise.resolve(ids.flatMap((id) => listings.get(id) ?? [])),
    });
  }
}

function listingsOf(table: FileTable, { plan, policy }: PlannedImport, context: ReadContext): Listing[] {
  const { nowInMs: now } = context;
  const reader = new RowReader(table, plan, context);
  return table.rows.flatMap((_, at): Listing[] => {
    const outcome = readImportRow(reader.row(at, 'live'), plan, policy, context);
    if (outcome.kind === 'refused') return [];
    const { slug: address } = outcome.content;
    const stamps = { address, version: 1, createdAt: now, changedAt: now, publishedAt: now, binnedAt: null };
    return [{ ...outcome.content, id: at + 1, kindId: PREVIEW_KIND, ...stamps }];
  });
}
