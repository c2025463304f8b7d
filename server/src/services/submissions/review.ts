import type {
  Acceptance,
  Changed,
  DecidedTogether,
  Decision,
  DecidedSubmissions,
  Merging,
  OwnSubmission,
  SubmissionCounts,
  SubmissionDetail,
  SubmissionQueue,
  SubmissionSummary,
  User,
} from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import { sentPath } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { SentValues, Submission, SubmissionState } from '@plindo/core/submissions';
import { inputOfValues, isOpen, isOwning } from '@plindo/core/submissions';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { QueueAsk, Store, SubmissionRecord, Unit, Written } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';
import { addListing, changeListing } from '../listings/writing.js';
import type { Sealing } from '../people/sealing.js';
import { SenderMails } from './sender-mails.js';
import { sealedFor } from './sending.js';
import { begins, detailOf } from './submission-detail.js';

/** What the office does with what visitors have sent in. Each decision is one change that can be undone, and is told to the sender. */
export class Review {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
    private readonly sealing: Sealing,
  ) {}

  /** What is asked for, the oldest first. */
  async queue(ask: QueueAsk): Promise<SubmissionQueue> {
    const { total, rows } = await this.store.submissions.queue(ask);
    return { total, submissions: rows.map(summaryOf) };
  }

  counts(): Promise<SubmissionCounts> {
    return this.store.submissions.counts();
  }

  /** One with all that is needed to decide about it. Refused by `request.not-found`. */
  async one(id: number): Promise<SubmissionDetail> {
    const found = await this.store.submissions.one(id);
    const catalog = found && this.live.catalog(found.kindId);
    if (!found || !catalog) throw Refusal.of('request.not-found');
    const kept = found.listingId === null ? null : await this.store.listing(found.listingId);
    return { ...summaryOf(found), ...detailOf(found, kept && this.live.complete(kept), catalog, this.live) };
  }

  /**
   * Accepts: a new one becomes a listing, a correction changes its listing, a claim makes its sender the owner. Refused by
   * `request.not-found`, `submission.decided`, `change.conflict`, and by what the values are refused for.
   */
  accept(user: User, id: number, given: Acceptance, base: string | null): Promise<Changed<SubmissionSummary>> {
    const { values, status, featured, listingVersion } = given;
    return this.decide(user, id, given, { to: 'accepted', base }, async (unit, before, kind) => {
      if (before.intent === 'new') {
        const input = { ...inputOfValues(values), status, featured };
        const listing = await addListing(unit, kind, input, user.name);
        return { listingId: listing.id, title: listing.title, values };
      }
      const listing = await listingIn(unit, before.listingId);
      if (before.intent !== 'correction') return {};
      await changeListing(unit, kind, listing, inputOfValues(values), listingVersion);
      return { values };
    });
  }

  /** Adds a new one to a listing that is there already. Refused as {@link accept} is, and by `submission.not-new`. */
  merge(user: User, id: number, given: Merging, base: string | null): Promise<Changed<SubmissionSummary>> {
    const { values, listingId, listingVersion } = given;
    return this.decide(user, id, given, { to: 'merged', base }, async (unit, { intent }, kind) => {
      if (intent !== 'new') throw Refusal.of('submission.not-new');
      const listing = await listingIn(unit, listingId);
      if (listing.kindId !== kind.id) throw Refusal.of('request.not-found');
      await changeListing(unit, kind, listing, inputOfValues(values), listingVersion);
      return { listingId };
    });
  }

  /** Gives it back to its sender, with what is to be changed. Refused by `submission.reason`. */
  giveBack(user: User, id: number, given: Decision, base: string | null): Promise<Changed<SubmissionSummary>> {
    if (given.reason.trim() === '') throw Refusal.of('submission.reason', {}, 'reason');
    return this.decide(user, id, given, { to: 'returned', base }, async () => ({}));
  }

  refuse(user: User, id: number, given: Decision, base: string | null): Promise<Changed<SubmissionSummary>> {
    return this.decide(user, id, given, { to: 'refused', base }, async () => ({}));
  }

  /** Takes it off the heap of what may be misuse; its sender hears now that it has come in. */
  async trust(user: User, id: number, version: number, base: string | null): Promise<Changed<SubmissionSummary>> {
    const record = await this.found(id);
    const { changeId, result } = await this.editing.change(user, async (unit) => {
      const before = await openIn(unit, id, version);
      const after = await unit.updateSubmission(before, { suspicions: [] });
      await new SenderMails(unit, base).tell('received', after, record.sender, this.secretOf(record), '');
      return { sentence: `Took ${before.title} for no misuse`, result: after };
    });
    return { changeId, result: summaryOf({ ...record, ...result }) };
  }

  /** The same decision about several, each as it was sent; each is a change of its own. What is refused stops none of the others. */
  async together(
    user: User,
    act: DecidedTogether,
    all: readonly { readonly id: number; readonly version: number }[],
    reason: string,
    base: string | null,
  ): Promise<DecidedSubmissions> {
    const changeIds: number[] = [];
    const refused: { id: number; why: string }[] = [];
    for (const { id, version } of all) {
      try {
        changeIds.push((await this.alike(user, act, id, { version, reason }, base)).changeId);
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        refused.push({ id, why: error.issues[0]!.message });
      }
    }
    return { changeIds, refused };
  }

  /** What somebody with an account has sent in, the latest first. */
  async own({ id }: User): Promise<OwnSubmission[]> {
    const records = await this.store.submissions.ofUser(id);
    return records.map((record) => {
      const secret = this.secretOf(record);
      return { ...summaryOf(record), path: secret && sentPath(secret), isOwned: isOwning(record) };
    });
  }

  private async alike(
    user: User,
    act: DecidedTogether,
    id: number,
    given: Decision,
    base: string | null,
  ): Promise<Changed<SubmissionSummary>> {
    if (act === 'trust') return this.trust(user, id, given.version, base);
    if (act === 'refuse') return this.refuse(user, id, given, base);
    const record = await this.found(id);
    const { status, featured } = begins(record, this.live);
    return this.accept(user, id, { ...given, values: record.values, status, featured, listingVersion: null }, base);
  }

  private async found(id: number): Promise<SubmissionRecord> {
    const record = await this.store.submissions.one(id);
    if (!record) throw Refusal.of('request.not-found');
    return record;
  }

  private async decide(
    user: User,
    id: number,
    { version, reason }: Decision,
    { to, base }: { readonly to: Exclude<SubmissionState, 'waiting' | 'withdrawn'>; readonly base: string | null },
    work: (
      unit: Unit,
      before: Submission,
      kind: Kind,
    ) => Promise<{ listingId?: number; title?: string; values?: SentValues }>,
  ): Promise<Changed<SubmissionSummary>> {
    const record = await this.found(id);
    const { changeId, result } = await this.editing.change(user, async (unit): Promise<Written<Submission>> => {
      const before = await openIn(unit, id, version);
      const done = await work(unit, before, kindIn(unit, before.kindId));
      const after = await unit.updateSubmission(before, {
        ...done,
        state: to,
        reason: reason.trim(),
        decidedAt: unit.now,
      });
      await new SenderMails(unit, base).tell(to, after, record.sender, this.secretOf(record), reason.trim());
      return { sentence: `${WHAT_WAS_DONE[to]} ${after.title}`, result: after };
    });
    return { changeId, result: summaryOf({ ...record, ...result }) };
  }

  /** The secret of the sender's link; null where another key sealed it. */
  private secretOf({ sealedSecret, secretHash }: SubmissionRecord): string | null {
    return this.sealing.open(sealedSecret, sealedFor(secretHash));
  }
}

const WHAT_WAS_DONE = { accepted: 'Accepted', returned: 'Returned', refused: 'Refused', merged: 'Merged' } as const;

/** A submission that waits, as it is in a unit. Refused by `request.not-found` and `submission.decided`. */
async function openIn(unit: Unit, id: number, version: number): Promise<Submission> {
  const before = await unit.submission(id);
  if (!before) throw Refusal.of('request.not-found');
  if (!isOpen(before) || before.version !== version) throw Refusal.of('submission.decided');
  return before;
}

async function listingIn(unit: Unit, id: number | null): Promise<Listing> {
  const listing = id === null ? null : await unit.listing(id);
  if (!listing) throw Refusal.of('request.not-found');
  return listing;
}

export function summaryOf(record: SubmissionRecord): SubmissionSummary {
  const { id, version, intent, state, kindId, listingId, title, reason, sender, suspicions } = record;
  const iso = (moment: number): string => new Date(moment).toISOString();
  return {
    ...{ id, version, intent, state, kindId, listingId, title, reason, sender, suspicions },
    ...{ createdAt: iso(record.createdAt), changedAt: iso(record.changedAt) },
  };
}
