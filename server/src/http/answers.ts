import type {
  AddressLook,
  Backups,
  BinSummary,
  DecidedSubmissions,
  CalendarView,
  CategorySetSummary,
  ChangeSummary,
  Changed,
  DesignOfPage,
  DesignSamples,
  DesignVersion,
  DoorEvent,
  ExamplesSummary,
  FileUpdateResult,
  FormerAddresses,
  FoundListings,
  ImportState,
  InvitedTo,
  JustMissing,
  KeptDraft,
  KeptTable,
  KindSummary,
  LinkCandidate,
  ListingInSelection,
  ListingsWindow,
  MailWhole,
  MailWindow,
  MissedOnPage,
  OneTimeLink,
  OwnAccess,
  OwnSubmission,
  OwnData,
  People,
  PictureWindow,
  PreviewedPage,
  ProblemReport,
  Revision,
  SecondStepStart,
  SelectionPreview,
  SelectionSummary,
  ServingPage,
  ServingTable,
  SessionInfo,
  SiteStarterSummary,
  SubmissionCounts,
  SubmissionDetail,
  SubmissionQueue,
  SubmissionSummary,
  TokenSummary,
  TypeChangePlan,
  User,
  ZoneEffects,
} from '@plindo/core/contract';
import type { Design, StarterFile } from '@plindo/core/design';
import type { Blueprint, BlueprintPlan, ListingName, RowComparison } from '@plindo/core/exchange';
import type { CalendarEntry, ExpiryEffects, FieldToLinkReport, LinkIdea, Listing } from '@plindo/core/listings';
import type { LearnReport, LearnedTable } from '@plindo/core/learn';
import type { MailText } from '@plindo/core/notices';
import type { ChosenCards, DesignedPage, PageLink, PageModel, SuggestionModel } from '@plindo/core/page';
import type { AddressesPlan } from '@plindo/core/plans';
import type { Explanation, TableTotals } from '@plindo/core/query';
import type { CategorySet, KeptFile, Kind, Link, Picture, Selection, SiteSettings } from '@plindo/core/structure';

/** A picture that was kept; what it shows in words comes with the listing. */
export type SentPicture = Pick<Picture, 'hash' | 'width' | 'height'>;

/** An access token with its secret, which is told this once. */
export interface NewToken extends TokenSummary {
  readonly secret: string;
}

/**
 * What routes answer, by the names that they have for it. `node tools/answer-schemas.mjs` makes `answer-schemas.json` of
 * these types, from which the API's document is made.
 */
export interface Answers {
  'AddressLook[]': readonly AddressLook[];
  AddressesPlan: AddressesPlan;
  Backups: Backups;
  BinSummary: BinSummary;
  Blueprint: Blueprint;
  BlueprintPlan: BlueprintPlan;
  'CalendarEntry[]': readonly CalendarEntry[];
  CalendarView: CalendarView;
  'CategorySetSummary[]': readonly CategorySetSummary[];
  'ChangeSummary[]': readonly ChangeSummary[];
  'Changed<BinSummary>': Changed<BinSummary>;
  'Changed<BlueprintPlan>': Changed<BlueprintPlan>;
  'Changed<CategorySet>': Changed<CategorySet>;
  'Changed<Design>': Changed<Design>;
  'Changed<Design[]>': Changed<Design[]>;
  'Changed<FieldToLinkReport>': Changed<FieldToLinkReport>;
  'Changed<FileUpdateResult>': Changed<FileUpdateResult>;
  'Changed<ExamplesSummary>': Changed<ExamplesSummary>;
  'Changed<Kind>': Changed<Kind>;
  'Changed<Link>': Changed<Link>;
  'Changed<Listing>': Changed<Listing>;
  'Changed<Selection>': Changed<Selection>;
  'Changed<SiteSettings>': Changed<SiteSettings>;
  'Changed<SubmissionSummary>': Changed<SubmissionSummary>;
  'Changed<null>': Changed<null>;
  'Changed<{ connections: number }>': Changed<{ readonly connections: number }>;
  'Changed<{ listings: number }>': Changed<{ readonly listings: number }>;
  'Changed<{ pictures: number }>': Changed<{ readonly pictures: number }>;
  'Changed<{ sentence: string }>': Changed<{ readonly sentence: string }>;
  ChosenCards: ChosenCards;
  DecidedSubmissions: DecidedSubmissions;
  DesignOfPage: DesignOfPage;
  DesignSamples: DesignSamples;
  'DesignVersion[]': readonly DesignVersion[];
  'Design[]': readonly Design[];
  DesignedPage: DesignedPage;
  'DoorEvent[]': readonly DoorEvent[];
  ExamplesSummary: ExamplesSummary;
  ExpiryEffects: ExpiryEffects;
  Explanation: Explanation;
  FieldToLinkReport: FieldToLinkReport;
  FormerAddresses: FormerAddresses;
  FoundListings: FoundListings;
  ImportState: ImportState;
  InvitedTo: InvitedTo;
  'JustMissing[]': readonly JustMissing[];
  'KeptDraft[]': readonly KeptDraft[];
  KeptFile: KeptFile;
  KeptTable: KeptTable;
  KindSummary: KindSummary;
  'KindSummary[]': readonly KindSummary[];
  'LinkIdea[]': readonly LinkIdea[];
  'LinkCandidate[]': readonly LinkCandidate[];
  'Link[]': readonly Link[];
  Listing: Listing;
  'ListingName[]': readonly ListingName[];
  'RowComparison[]': readonly RowComparison[];
  'ListingInSelection[]': readonly ListingInSelection[];
  LearnReport: LearnReport;
  LearnedTable: LearnedTable;
  ListingsWindow: ListingsWindow;
  'OwnSubmission[]': readonly OwnSubmission[];
  SubmissionCounts: SubmissionCounts;
  SubmissionDetail: SubmissionDetail;
  SubmissionQueue: SubmissionQueue;
  MailText: MailText;
  MailWhole: MailWhole;
  MailWindow: MailWindow;
  'MissedOnPage[]': readonly MissedOnPage[];
  NewToken: NewToken;
  OneTimeLink: OneTimeLink;
  OwnAccess: OwnAccess;
  OwnData: OwnData;
  'PageLink[]': readonly PageLink[];
  PageModel: PageModel;
  People: People;
  SentPicture: SentPicture;
  PictureWindow: PictureWindow;
  'PreviewedPage[]': readonly PreviewedPage[];
  ProblemReport: ProblemReport;
  'Revision[]': readonly Revision[];
  SecondStepStart: SecondStepStart;
  SelectionPreview: SelectionPreview;
  'SelectionSummary[]': readonly SelectionSummary[];
  ServingPage: ServingPage;
  ServingTable: ServingTable;
  SessionInfo: SessionInfo;
  'SiteStarterSummary[]': readonly SiteStarterSummary[];
  StarterFile: StarterFile;
  'SuggestionModel[]': readonly SuggestionModel[];
  TableTotals: TableTotals;
  'TokenSummary[]': readonly TokenSummary[];
  TypeChangePlan: TypeChangePlan;
  User: User;
  'ZoneEffects[]': readonly ZoneEffects[];
  'string[]': readonly string[];
  '{ path: string }': { readonly path: string };
}

export type AnswerName = keyof Answers;
