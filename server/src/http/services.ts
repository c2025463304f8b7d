import type { Live } from '../live/live.js';
import type { Pages } from '../live/pages.js';
import type { Accounts } from '../services/accounts.js';
import type { Bin } from '../services/bin.js';
import type { HandOrders } from '../services/hand-orders.js';
import type { TableViews } from '../services/table-views.js';
import type { Batches } from '../services/batches.js';
import type { Blueprints } from '../services/blueprints.js';
import type { CategorySets } from '../services/category-sets.js';
import type { Changes } from '../services/changes.js';
import type { Connections } from '../services/connections.js';
import type { FieldChanges } from '../services/field-changes.js';
import type { Files } from '../services/files.js';
import type { Finder } from '../services/finder.js';
import type { Imports } from '../services/imports.js';
import type { Kinds } from '../services/kinds.js';
import type { Links } from '../services/links.js';
import type { Listings } from '../services/listings.js';
import type { PictureLibrary } from '../services/picture-library.js';
import type { Pictures } from '../services/pictures.js';
import type { Problems } from '../services/problems.js';
import type { Site } from '../services/site.js';

/** All that routes can call. */
export interface Services {
  readonly accounts: Accounts;
  readonly batches: Batches;
  readonly bin: Bin;
  readonly handOrders: HandOrders;
  readonly tableViews: TableViews;
  readonly blueprints: Blueprints;
  readonly categorySets: CategorySets;
  readonly changes: Changes;
  readonly connections: Connections;
  readonly fieldChanges: FieldChanges;
  readonly files: Files;
  readonly finder: Finder;
  readonly imports: Imports;
  readonly kinds: Kinds;
  readonly links: Links;
  readonly listings: Listings;
  readonly live: Live;
  readonly pages: Pages;
  readonly pictureLibrary: PictureLibrary;
  readonly pictures: Pictures;
  readonly problems: Problems;
  readonly site: Site;
}
