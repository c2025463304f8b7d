import * as first from './0001-first.js';
import * as partsAndFiles from './0002-parts-and-files.js';
import * as categorySets from './0003-category-sets.js';
import * as links from './0004-links.js';
import * as binAndTableViews from './0005-bin-and-table-views.js';
import * as pictureFiles from './0006-picture-files.js';
import * as windows from './0007-windows.js';
import * as selections from './0008-selections.js';
import * as listingsByKind from './0009-listings-by-kind.js';
import * as oneWritePath from './0010-one-write-path.js';
import * as designs from './0011-designs.js';
import * as addresses from './0012-addresses.js';
import * as drafts from './0013-drafts.js';
import * as examples from './0014-examples.js';
import * as dueWork from './0015-due-work.js';
import * as people from './0016-people.js';
import * as backups from './0017-backups.js';
import * as removedKinds from './0018-removed-kinds.js';
import * as narrowLogIndexes from './0019-narrow-log-indexes.js';
import * as sealedSecrets from './0020-sealed-secrets.js';
import * as openDesks from './0021-open-desks.js';
import * as submissions from './0022-submissions.js';
import * as views from './0023-views.js';
import * as visitCounts from './0024-visit-counts.js';
import type { Migration } from './migrate.js';

/** All migrations by their names, oldest first. */
export const MIGRATIONS: Readonly<Record<string, Migration>> = {
  '0001-first': first,
  '0002-parts-and-files': partsAndFiles,
  '0003-category-sets': categorySets,
  '0004-links': links,
  '0005-bin-and-table-views': binAndTableViews,
  '0006-picture-files': pictureFiles,
  '0007-windows': windows,
  '0008-selections': selections,
  '0009-listings-by-kind': listingsByKind,
  '0010-one-write-path': oneWritePath,
  '0011-designs': designs,
  '0012-addresses': addresses,
  '0013-drafts': drafts,
  '0014-examples': examples,
  '0015-due-work': dueWork,
  '0016-people': people,
  '0017-backups': backups,
  '0018-removed-kinds': removedKinds,
  '0019-narrow-log-indexes': narrowLogIndexes,
  '0020-sealed-secrets': sealedSecrets,
  '0021-open-desks': openDesks,
  '0022-submissions': submissions,
  '0023-views': views,
  '0024-visit-counts': visitCounts,
};
