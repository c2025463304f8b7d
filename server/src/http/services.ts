import type { PreviewedPage, User } from '@plindo/core/contract';
import type { Backups } from '../backup/backups.js';
import type { Live } from '../live/live.js';
import type { AddressBook } from '../site/address-book.js';
import type { DraftedPages } from '../site/drafted-pages.js';
import type { Pages } from '../site/pages.js';
import type { ServingPages } from '../site/serving-pages.js';
import type { Learn } from '../services/learn/learn.js';
import type { VisitCounter } from '../services/views/visit-counter.js';
import type { Sitemaps } from '../site/sitemaps.js';
import type { Accounts } from '../services/people/accounts.js';
import type { DoorLog } from '../services/people/door-log.js';
import type { OwnAccess } from '../services/people/own-access.js';
import type { People } from '../services/people/people.js';
import type { OpenDesks } from '../services/people/open-desks.js';
import type { SecondStep } from '../services/people/second-step.js';
import type { Tokens } from '../services/people/tokens.js';
import type { Bin } from '../services/listings/bin.js';
import type { HandOrders } from '../services/listings/hand-orders.js';
import type { TableViews } from '../services/listings/table-views.js';
import type { Batches } from '../services/listings/batches.js';
import type { BlueprintZips } from '../services/exchange/blueprint-zip.js';
import type { Blueprints } from '../services/exchange/blueprints.js';
import type { CategorySets } from '../services/structure/category-sets.js';
import type { Changes } from '../services/listings/changes.js';
import type { Candidates } from '../services/listings/candidates.js';
import type { FileUpdates } from '../services/exchange/file-updates.js';
import type { FieldsToLinks } from '../services/structure/field-to-link.js';
import type { FieldChanges } from '../services/structure/field-changes.js';
import type { Drafts } from '../services/design/drafts.js';
import type { Designs } from '../services/design/designs.js';
import type { Files } from '../services/media/files.js';
import type { Examples } from '../services/listings/examples.js';
import type { Calendar } from '../services/expiry/calendar.js';
import type { CalendarFeed } from '../services/expiry/calendar-feed.js';
import type { Expiry } from '../services/expiry/expiry.js';
import type { Finder } from '../services/listings/finder.js';
import type { SiteStarters } from '../services/exchange/site-starters.js';
import type { Health } from '../services/health.js';
import type { NoticeWordings } from '../services/notices/wording.js';
import type { Outbox } from '../services/notices/outbox.js';
import type { Imports } from '../services/exchange/imports.js';
import type { Kinds } from '../services/structure/kinds.js';
import type { Links } from '../services/structure/links.js';
import type { Listings } from '../services/listings/listings.js';
import type { PictureLibrary } from '../services/media/picture-library.js';
import type { PictureFetcher } from '../services/media/picture-fetcher.js';
import type { PictureFormat, PictureVariant, Pictures } from '../services/media/pictures.js';
import type { Problems } from '../services/listings/problems.js';
import type { Selections } from '../services/structure/selections.js';
import type { Attempts } from '../services/submissions/attempts.js';
import type { Review } from '../services/submissions/review.js';
import type { Sending } from '../services/submissions/sending.js';
import type { SentPages } from '../services/submissions/sent-pages.js';
import type { Throttles } from '../services/people/throttles.js';
import type { Site } from '../services/structure/site.js';

/** Shows what a site would be. */
export interface Previews {
  /** The pages of a new site in which somebody has done something; that site is thrown away. */
  show(make: (services: Services, user: User) => Promise<unknown>): Promise<PreviewedPage[]>;
  /** A picture of the latest preview; null for one that it doesn't have. */
  picture(hash: string, width: number, format: PictureFormat): Promise<PictureVariant | null>;
  /** The same of a file. */
  file(hash: string): ReturnType<Files['find']>;
}

/** All that routes can call. */
export interface Services {
  readonly accounts: Accounts;
  readonly addressBook: AddressBook;
  readonly attempts: Attempts;
  readonly backups: Backups;
  readonly batches: Batches;
  readonly bin: Bin;
  readonly handOrders: HandOrders;
  readonly tableViews: TableViews;
  readonly throttles: Throttles;
  readonly blueprintZips: BlueprintZips;
  readonly blueprints: Blueprints;
  readonly calendar: Calendar;
  readonly calendarFeed: CalendarFeed;
  readonly candidates: Candidates;
  readonly categorySets: CategorySets;
  readonly changes: Changes;
  readonly designs: Designs;
  readonly doorLog: DoorLog;
  /** The site with all drafts in their places. */
  readonly draftedSite: Pages;
  readonly draftedPages: DraftedPages;
  readonly drafts: Drafts;
  readonly examples: Examples;
  readonly expiry: Expiry;
  readonly fieldChanges: FieldChanges;
  readonly fieldsToLinks: FieldsToLinks;
  readonly fileUpdates: FileUpdates;
  readonly files: Files;
  readonly finder: Finder;
  readonly imports: Imports;
  readonly kinds: Kinds;
  readonly links: Links;
  readonly listings: Listings;
  readonly live: Live;
  readonly health: Health;
  readonly noticeWordings: NoticeWordings;
  readonly outbox: Outbox;
  readonly ownAccess: OwnAccess;
  readonly pages: Pages;
  readonly people: People;
  readonly pictureLibrary: PictureLibrary;
  readonly pictures: Pictures;
  readonly pictureFetcher: PictureFetcher;
  readonly previews: Previews;
  readonly problems: Problems;
  readonly review: Review;
  readonly sending: Sending;
  readonly sentPages: SentPages;
  readonly views: VisitCounter;
  readonly learn: Learn;
  readonly secondStep: SecondStep;
  readonly openDesks: OpenDesks;
  readonly selections: Selections;
  readonly servingPages: ServingPages;
  readonly site: Site;
  readonly siteStarters: SiteStarters;
  readonly sitemaps: Sitemaps;
  readonly tokens: Tokens;
}
