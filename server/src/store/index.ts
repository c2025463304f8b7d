export type { Account, AccountReading, OneTimeLinkRecord } from './accounts/account-reading.js';
export type { AccountChange, NewUser } from './accounts/account-rows.js';
export type { WantedChanges } from './units/change-log.js';
export { isErased } from './accounts/erasing.js';
export type { TokenRecord, Whose } from './accounts/session-store.js';
export type { ChangeRecord, FeedChange } from './units/change-log.js';
export { type CopyReport, copyStore } from './copy-store.js';
export type { StoreTrouble } from './dialect.js';
export { isPostgres, ownFolder, sqliteIn } from './database.js';
export type { ImportRecord } from './units/import-store.js';
export { type Committed, type ChangeMeans, type FeedReason, Store, type Written } from './store.js';
export type { DepartureState, DueRow, RenewalState, Task } from './due/due-work.js';
export { LATEST_AGAIN_IN_MS } from './due/claims.js';
export { departureIn } from './due/due-work.js';
export { entriesAhead, type StagedListings } from './units/staged-listings.js';
export type { SeenListings } from './reading/seen-listings.js';
export type { NamedParts } from './reading/store-reading.js';
export type { Mail, MailChange, MailState } from './outbox/mail-store.js';
export { messageIdOf, type NewMail, type WaitingNotice } from './outbox/outbox-rows.js';
export type { AttemptRecord, QueueAsk, SubmissionRecord } from './submissions/submission-store.js';
export type { SubmissionBesides } from './submissions/besides.js';
export type { TimesOfDay, ViewsOfDay } from './views/view-store.js';
export { Turns } from './turns.js';
export { titleOf, Unit } from './units/unit.js';
export { type Holder, uniqueKey } from './units/unique-rows.js';
export { sync, writeWhole } from './media/write-whole.js';
export { completeDesign } from './records.js';
export type { AddressScope } from './units/former-addresses.js';
export {
  copyDatabase,
  type DatabaseSums,
  integrityFaults,
  restoreDatabase,
  sumsOf,
  upgradeDatabase,
  withTrialDatabase,
} from './backup/database-copy.js';
