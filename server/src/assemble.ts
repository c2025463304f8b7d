import { join } from 'node:path';
import type { Services } from './http/services.js';
import { CatalogFiles } from './live/catalog-files.js';
import { Live } from './live/live.js';
import { Pages } from './live/pages.js';
import { Accounts } from './services/accounts.js';
import { Batches } from './services/batches.js';
import { Bin } from './services/bin.js';
import { BlueprintZips } from './services/blueprint-zip.js';
import { Blueprints } from './services/blueprints.js';
import { CategorySets } from './services/category-sets.js';
import { Changes } from './services/changes.js';
import { Connections } from './services/connections.js';
import { FieldChanges } from './services/field-changes.js';
import { Files } from './services/files.js';
import { Finder } from './services/finder.js';
import { HandOrders } from './services/hand-orders.js';
import { Imports } from './services/imports.js';
import { Kinds } from './services/kinds.js';
import { Links } from './services/links.js';
import { Listings } from './services/listings.js';
import { PictureLibrary } from './services/picture-library.js';
import { Pictures } from './services/pictures.js';
import { Problems } from './services/problems.js';
import { Selections } from './services/selections.js';
import { Site } from './services/site.js';
import { TableViews } from './services/table-views.js';
import { Store } from './store/index.js';

export interface Assembly {
  readonly services: Services;
  readonly store: Store;
  /** What was repaired at the start, in sentences. */
  readonly repairs: readonly string[];
}

/** Opens the store in a folder, repairs what a stop left half done, and puts all services together. */
export async function assemble(dataFolder: string, clock: () => Date): Promise<Assembly> {
  const store = await Store.open(join(dataFolder, 'plindo.sqlite'), clock);
  const live = new Live(store, clock, new CatalogFiles(join(dataFolder, 'catalogs')));
  const imports = new Imports(store, live);
  const repairs = await imports.repair();
  await live.start();
  const connections = new Connections(store, live);
  const pictures = new Pictures(store, join(dataFolder, 'pictures'), clock);
  await pictures.purge();
  const files = new Files(store, join(dataFolder, 'files'), clock);
  const categorySets = new CategorySets(store, live);
  const services: Services = {
    live,
    imports,
    accounts: new Accounts(store, clock),
    batches: new Batches(live, connections),
    bin: new Bin(live),
    handOrders: new HandOrders(live),
    tableViews: new TableViews(store, live),
    blueprintZips: new BlueprintZips(store, pictures, files),
    blueprints: new Blueprints(store, live),
    categorySets,
    changes: new Changes(store, live),
    connections,
    fieldChanges: new FieldChanges(store, live),
    finder: new Finder(store, live),
    files,
    kinds: new Kinds(live),
    links: new Links(live),
    listings: new Listings(store, live, connections),
    pages: new Pages(store, live),
    pictureLibrary: new PictureLibrary(store, live, clock),
    pictures,
    problems: new Problems(store, live, categorySets),
    selections: new Selections(store, live),
    site: new Site(live),
  };
  return { services, store, repairs };
}
