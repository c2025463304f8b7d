import type { Route } from '../route.js';
import type { Services } from '../services.js';
import { addressRoutes } from './addresses.js';
import { backupRoutes } from './backups.js';
import { blueprintRoutes } from './blueprints.js';
import { calendarRoutes } from './calendar.js';
import { categorySetRoutes } from './category-sets.js';
import { changeRoutes } from './changes.js';
import { designRoutes } from './designs.js';
import { draftRoutes } from './drafts.js';
import { expiryRoutes } from './expiry.js';
import { fieldChangeRoutes } from './field-changes.js';
import { fileRoutes } from './files.js';
import { eventRoutes } from './events.js';
import { fileUpdateRoutes } from './file-updates.js';
import { importRoutes } from './imports.js';
import { kindRoutes } from './kinds.js';
import { learnRoutes } from './learn.js';
import { linkRoutes } from './links.js';
import { listingRoutes } from './listings.js';
import { oneTimeLinkRoutes } from './one-time-links.js';
import { overviewRoutes } from './overview.js';
import { outboxRoutes } from './outbox.js';
import { ownAccessRoutes } from './own-access.js';
import { peopleRoutes } from './people.js';
import { pictureRoutes } from './pictures.js';
import { selectionRoutes } from './selections.js';
import { sessionRoutes } from './session.js';
import { siteRoutes } from './site.js';
import { tableViewRoutes } from './table-views.js';
import { submissionRoutes } from './submissions.js';
import { tokenRoutes } from './tokens.js';
import { siteStarterRoutes } from './site-starters.js';

/** Every route of the API: mounted, checked against roles, and written into the OpenAPI document from this list. */
export function allRoutes(services: Services): Route[] {
  return [
    ...sessionRoutes(services),
    ...oneTimeLinkRoutes(services),
    ...ownAccessRoutes(services),
    ...peopleRoutes(services),
    ...backupRoutes(services),
    ...siteRoutes(services),
    ...kindRoutes(services),
    ...expiryRoutes(services),
    ...calendarRoutes(services),
    ...fieldChangeRoutes(services),
    ...categorySetRoutes(services),
    ...linkRoutes(services),
    ...listingRoutes(services),
    ...selectionRoutes(services),
    ...designRoutes(services),
    ...draftRoutes(services),
    ...addressRoutes(services),
    ...tableViewRoutes(services),
    ...overviewRoutes(services),
    ...learnRoutes(services),
    ...outboxRoutes(services),
    ...pictureRoutes(services),
    ...fileRoutes(services),
    ...eventRoutes(services),
    ...importRoutes(services),
    ...fileUpdateRoutes(services),
    ...blueprintRoutes(services),
    ...siteStarterRoutes(services),
    ...submissionRoutes(services),
    ...changeRoutes(services),
    ...tokenRoutes(services),
  ];
}
