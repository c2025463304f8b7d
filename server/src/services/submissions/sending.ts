import type { User } from '@plindo/core/contract';
import { LinkGraph, keptThingsOf, readListing } from '@plindo/core/listings';
import type { FormFault } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { GivenConsent, Sender, SentValues, Submission, Suspicion } from '@plindo/core/submissions';
import { inputOfValues, isChangeable, isOwning, suspicionsOf, textsOf, valueOfListing } from '@plindo/core/submissions';
import { Refusal, foldText, isSame } from '@plindo/core/values';
import type { Store, SubmissionBesides, SubmissionRecord, Unit, Written } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';
import { refuseNotKept } from '../media/kept.js';
import { changeListing } from '../listings/writing.js';
import type { Sealing } from '../people/sealing.js';
import { digest, newSecret } from '../people/secrets.js';
import type { Attempts, Looked, SentTold } from './attempts.js';
import { isProof, isSum } from './proof.js';
import { SenderMails } from './sender-mails.js';

/** The same texts sent in again within this time may be misuse. */
const REPEATED_WITHIN_IN_MS = 7 * 86_400_000;

/** That a person has looked it over: a solved puzzle, or the sum of two numbers. */
export interface Proof {
  readonly solution: string;
  readonly sum: string;
}

/** Who sends something in. */
export interface SentBy {
  /** Whoever is signed in; null for a visitor. */
  readonly user: User | null;
  /** What stands before the paths of links in mails; null where no address is known. */
  readonly base: string | null;
}

/** What came of sending: the secret of the sender's link, or what is still wrong. */
export type Sent = { readonly secret: string } | { readonly faults: readonly FormFault[] };

/** Takes in what visitors send: new listings, and changes of what they have sent before. */
export class Sending {
  constructor(
    private readonly store: Store,
    private readonly editing: Editing,
    private readonly attempts: Attempts,
    private readonly sealing: Sealing,
    private readonly clock: () => Date,
  ) {}

  /**
   * Sends what is kept under a token, once. Refused by `form.stale`, `form.sent-already`, `form.gone`, `submission.decided`
   * and `value.not-a-picture`.
   */
  async send(token: string, { solution, sum }: Proof, by: SentBy): Promise<Sent> {
    const kept = await this.attempts.kept(token);
    if (!kept) throw Refusal.of('form.stale');
    if (!isProof(token, solution) && !isSum(token, sum)) {
      return { faults: [this.attempts.sumFault()] };
    }
    const tookInMs = this.clock().getTime() - kept.begunAt;
    if (!kept.sent) return this.sendTold(token, kept.told, by, tookInMs);
    const looked = this.attempts.look(kept.sent);
    if (looked.faults.length > 0) return { faults: looked.faults };
    const former = kept.sent.secret === '' ? null : await this.former(kept.sent.secret);
    if (former && isChangeable(former)) return this.sendAgain(token, looked, former);
    return this.sendNew(token, looked, former, by, tookInMs);
  }

  /** What a sender's link leads to. Refused by `request.not-found`. */
  private async former(secret: string): Promise<SubmissionRecord> {
    const former = await this.store.submissions.bySecret(digest(secret));
    if (!former) throw Refusal.of('request.not-found');
    if (isChangeable(former)) return former;
    if (!isOwning(former)) throw Refusal.of('submission.decided');
    return (await openCorrection(this.store, former)) ?? former;
  }

  private async sendNew(
    token: string,
    looked: Looked,
    former: SubmissionRecord | null,
    { user, base }: SentBy,
    tookInMs: number,
  ): Promise<Sent> {
    const { kind, sent, read, consents, form } = looked;
    const texts = textsOf(read.values, kind);
    const isFirst = former === null;
    const sender = former?.sender ?? { ...sent.sender, userId: user?.id ?? null };
    const about: About = { texts, tookInMs, trap: sent.trap, isTrusted: user !== null || !isFirst };
    const { secret, suspicions, besides } = await this.freshBesides(about, sender, consents);
    await this.editing.change(user, async (unit) => {
      await this.take(unit, token, kind, read.values);
      const begun = await begunWith(unit, kind, read.values, former);
      const isAtOnce = begun.listingId !== null && kind.ownersChange === 'at-once';
      const given = { ...begun, formId: form.id, kindId: kind.id, message: '', suspicions };
      const submission = await unit.insertSubmission(asWaiting(given, unit), besides);
      if (isAtOnce) return this.atOnce(unit, kind, submission);
      await this.tell(unit, base, submission, kind, { sender, secret, isFirst });
      return { sentence: `${submission.title} was sent in`, result: null };
    });
    return { secret: former && former.listingId !== null ? sent.secret : secret };
  }

  /** That something is wrong with a listing, or that it is somebody's. */
  private async sendTold(token: string, told: SentTold, { user, base }: SentBy, tookInMs: number): Promise<Sent> {
    const faults = this.attempts.toldFaults(told);
    if (faults.length > 0) return { faults };
    const { listingId, intent, message, trap } = told;
    const sender = { ...told.sender, userId: user?.id ?? null };
    const about: About = { texts: [message], tookInMs, trap, isTrusted: user !== null };
    const { secret, suspicions, besides } = await this.freshBesides(about, sender, []);
    await this.editing.change(user, async (unit) => {
      if (!(await unit.takeAttempt(digest(token)))) throw Refusal.of('form.sent-already');
      const listing = await unit.listing(listingId);
      if (!listing) throw Refusal.of('request.not-found');
      const { kindId, title } = listing;
      const given = { intent, listingId, title, kindId, values: {}, was: null, formId: null, message, suspicions };
      const submission = await unit.insertSubmission(asWaiting(given, unit), besides);
      await this.tell(unit, base, submission, kindIn(unit, kindId), { sender, secret, isFirst: true });
      return { sentence: `Somebody wrote about ${title}`, result: null };
    });
    return { secret };
  }

  /** A new secret, what speaks for misuse, and what is kept of a submission besides the change log. */
  private async freshBesides(
    { texts, tookInMs, trap, isTrusted }: About,
    sender: Sender,
    consents: readonly GivenConsent[],
  ): Promise<{ secret: string; suspicions: Suspicion[]; besides: SubmissionBesides }> {
    const fingerprint = digest(texts.map(foldText).join('\n'));
    const since = this.clock().getTime() - REPEATED_WITHIN_IN_MS;
    const isRepeated = !isTrusted && texts.length > 0 && (await this.store.submissions.isKnown(fingerprint, since));
    const suspicions = isTrusted ? [] : suspicionsOf({ trap, tookInMs, texts, isRepeated });
    const secret = newSecret();
    const secretHash = digest(secret);
    const sealedSecret = this.sealing.seal(secret, sealedFor(secretHash));
    return { secret, suspicions, besides: { sender, consents, fingerprint, secretHash, sealedSecret } };
  }

  /** Tells the sender and the office that something has come; of what may be misuse nobody is told. */
  private async tell(
    unit: Unit,
    base: string | null,
    submission: Submission,
    kind: Kind,
    { sender, secret, isFirst }: { readonly sender: Sender; readonly secret: string; readonly isFirst: boolean },
  ): Promise<void> {
    if (submission.suspicions.length > 0) return;
    const mails = new SenderMails(unit, base);
    if (isFirst) await mails.tell('received', submission, sender, secret, '');
    await mails.tellOffice(submission, kind, sender);
  }

  /** The owner of a listing changes it without review, as its kind says. */
  private async atOnce(unit: Unit, kind: Kind, submission: Submission): Promise<Written<null>> {
    const before = await unit.listing(submission.listingId!);
    if (!before) throw Refusal.of('submission.decided');
    const result = await changeListing(unit, kind, before, inputOfValues(submission.values), null);
    await unit.updateSubmission(submission, { state: 'accepted', decidedAt: unit.now });
    return { sentence: `${result.title} was corrected by its owner`, result: null };
  }

  /** Other answers in the place of those that wait, or were returned. */
  private async sendAgain(token: string, { kind, sent, read }: Looked, former: SubmissionRecord): Promise<Sent> {
    await this.editing.change(null, async (unit) => {
      await this.take(unit, token, kind, read.values);
      const before = await unit.submission(former.id);
      if (!before || !isChangeable(before)) throw Refusal.of('submission.decided');
      const { title, values, was } = await begunWith(unit, kind, read.values, before);
      const after = await unit.updateSubmission(before, { title, values, was, state: 'waiting', reason: '' });
      if (before.state === 'returned') await new SenderMails(unit, null).tellOffice(after, kind, former.sender);
      return { sentence: `${title} was sent in again`, result: null };
    });
    return { secret: sent.secret };
  }

  /** Uses up the attempt, and refuses pictures and files that are not kept here. */
  private async take(unit: Unit, token: string, kind: Kind, values: SentValues): Promise<void> {
    if (!(await unit.takeAttempt(digest(token)))) throw Refusal.of('form.sent-already');
    const { content } = readListing(inputOfValues(values), kindIn(unit, kind.id), unit.context());
    await refuseNotKept(unit, keptThingsOf(content, kind.fields));
  }
}

/** What is known of how something was sent in; whoever is known here is trusted. */
interface About {
  readonly texts: readonly string[];
  readonly tookInMs: number;
  readonly trap: string;
  readonly isTrusted: boolean;
}

type Given = Omit<Submission, 'id' | 'version' | 'state' | 'reason' | 'createdAt' | 'changedAt' | 'decidedAt'>;

function asWaiting(given: Given, { now }: Unit): Omit<Submission, 'id' | 'version'> {
  return { ...given, state: 'waiting', reason: '', createdAt: now, changedAt: now, decidedAt: null };
}

/** Whose secret is sealed: that of the submission with its hash. */
export function sealedFor(secretHash: string): string {
  return `submission ${secretHash}`;
}

/** A correction by the owner of a listing that nobody has decided yet; null for none. */
export async function openCorrection(store: Store, owning: SubmissionRecord): Promise<SubmissionRecord | null> {
  const all = await store.submissions.ofListing(owning.listingId!);
  const isOwn = ({ sender: { email, userId } }: SubmissionRecord): boolean =>
    email === owning.sender.email && userId === owning.sender.userId;
  return all.find((one) => one.intent === 'correction' && isChangeable(one) && isOwn(one)) ?? null;
}

type Begun = Pick<Submission, 'intent' | 'listingId' | 'title' | 'values' | 'was'>;

/** What is sent: all of a new listing, or of one that is there only what is otherwise than it has it. */
async function begunWith(unit: Unit, kind: Kind, values: SentValues, former: Submission | null): Promise<Begun> {
  const listing = former?.listingId ? await unit.listing(former.listingId) : null;
  const title = String(values['@title'] ?? listing?.title ?? '');
  if (!listing) return { intent: 'new', listingId: null, title, values, was: null };
  const own = { ...listing, values: { ...listing.values, ...(await linkedValues(unit, kind, listing.id)) } };
  const changed = Object.keys(values).filter((key) => !isSame(values[key], valueOfListing(own, key, kind)));
  const only = (of: (key: string) => unknown): SentValues => Object.fromEntries(changed.map((key) => [key, of(key)]));
  return {
    ...{ intent: 'correction', listingId: listing.id, title: listing.title },
    ...{ values: only((key) => values[key]), was: only((key) => valueOfListing(own, key, kind)) },
  };
}

/** By the key of a link field, the listings that one is linked with, in their order. */
async function linkedValues(unit: Unit, kind: Kind, listing: number): Promise<Record<string, { id: number }[]>> {
  const graph = new LinkGraph();
  for (const connection of await unit.connectionsOf({ listing })) graph.put(connection);
  const links = kind.fields.filter(({ type }) => type === 'link');
  return Object.fromEntries(
    links.map(({ key, settings: { link, side } }) => {
      const own = link === undefined ? [] : graph.of(link, side ?? 'a', listing);
      return [key, own.map(({ a, b }) => ({ id: side === 'b' ? a : b }))];
    }),
  );
}
