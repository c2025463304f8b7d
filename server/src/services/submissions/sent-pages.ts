import type { FormFault } from '@plindo/core/page';
import { answerOfValue, summaryOf } from '@plindo/core/page';
import { listingPath } from '@plindo/core/page';
import { formsOf, questionsOf, askedField } from '@plindo/core/design';
import type { ComeBack, SendingState, SentState } from '@plindo/core/page';
import type { Answers, SentValues, Submission } from '@plindo/core/submissions';
import { isChangeable, isMessage, isOwning, valuesOfListing } from '@plindo/core/submissions';
import type { Word } from '@plindo/core/values';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, SubmissionRecord, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { kindIn } from '../editing.js';
import { digest } from '../people/secrets.js';
import type { Attempts } from './attempts.js';
import { SenderMails } from './sender-mails.js';
import { openCorrection } from './sending.js';

/** What a sender's link leads to: what they have sent, what became of it, and what they can still do. */
export class SentPages {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
    private readonly attempts: Attempts,
  ) {}

  /** What was sent by the link with a secret, and the form with which it can be changed; null for no such link. */
  async at(secret: string, again: ComeBack): Promise<{ sent: SentState; sending: SendingState | null } | null> {
    const record = await this.store.submissions.bySecret(digest(secret));
    if (!record) return null;
    const correction = await this.correctionOf(record);
    const now = await this.presentValues(correction ?? record);
    const sent = await this.stateOf(record, secret, now, correction);
    if (!sent.canBeChanged) return { sent, sending: null };
    const typed = await this.attempts.state(again);
    return { sent, sending: typed?.secret === secret ? typed : this.begun(record, secret, now) };
  }

  /** Withdraws what waits or was returned; of a listing that is theirs, its correction. Refused by `request.not-found` and `submission.decided`. */
  async withdraw(secret: string): Promise<void> {
    const { record, correction } = await this.found(secret);
    await this.editing.change(null, async (unit) => {
      const before = await changeableIn(unit, (correction ?? record).id);
      await unit.updateSubmission(before, { state: 'withdrawn', decidedAt: unit.now });
      return { sentence: `${before.title} was withdrawn by its sender`, result: null };
    });
  }

  /** Other words, without spaces around them, in the place of those about a listing. Refused by `request.not-found`, `submission.decided` and `form.needed`. */
  async writeAgain(secret: string, message: string): Promise<void> {
    const { record } = await this.found(secret);
    if (!isMessage(record)) throw Refusal.of('submission.decided');
    const label = this.live.context().formats.words.say('tell.what');
    if (message === '') throw Refusal.of('form.needed', { label }, 'message');
    await this.editing.change(null, async (unit) => {
      const before = await changeableIn(unit, record.id);
      const after = await unit.updateSubmission(before, { message, state: 'waiting', reason: '' });
      const kind = kindIn(unit, before.kindId);
      if (before.state === 'returned') await new SenderMails(unit, null).tellOffice(after, kind, record.sender);
      return { sentence: `Somebody wrote again about ${before.title}`, result: null };
    });
  }

  /** What a link leads to, and a correction of it that nobody has decided yet. Refused by `request.not-found`. */
  private async found(secret: string): Promise<{ record: SubmissionRecord; correction: SubmissionRecord | null }> {
    const record = await this.store.submissions.bySecret(digest(secret));
    if (!record) throw Refusal.of('request.not-found');
    return { record, correction: await this.correctionOf(record) };
  }

  private async correctionOf(record: SubmissionRecord): Promise<SubmissionRecord | null> {
    return isOwning(record) ? openCorrection(this.store, record) : null;
  }

  /** What its sender may see: what they sent, and of a listing that is theirs what it has now. */
  private async presentValues(record: SubmissionRecord): Promise<SentValues> {
    const { form, kind } = this.formOf(record);
    const isTheirs = record.intent === 'correction' || isOwning(record);
    if (record.listingId === null || !isTheirs || !form || !kind) return record.values;
    const listing = await this.store.listing(record.listingId);
    if (!listing) return record.values;
    const own = valuesOfListing(form.definition, kind, this.live.complete(listing));
    return isOwning(record) ? own : { ...own, ...record.values };
  }

  private async stateOf(
    record: SubmissionRecord,
    secret: string,
    values: SentValues,
    correction: SubmissionRecord | null,
  ): Promise<SentState> {
    const { words } = this.live.context().formats;
    const { form, kind } = this.formOf(record);
    const { state, title } = record;
    const reason = correction?.reason || record.reason;
    const isOfForm = !isMessage(record);
    const canBeChanged =
      form !== undefined && kind !== undefined && isOfForm && (isChangeable(record) || isOwning(record));
    const summary =
      isOfForm && form && kind
        ? summaryOf(form.definition, kind, values, this.live.context(), this.attempts.titleOf)
        : [];
    return {
      ...{ secret, title, reason, summary, canBeChanged, canBeWithdrawn: isChangeable(correction ?? record) },
      message: isOfForm ? '' : record.message,
      sentence: words.say(sentenceOf(correction ?? record), { title }),
      thanks: state === 'waiting' ? (isOfForm && form?.definition.thanks) || words.say('form.thanks') : '',
      href: await this.hrefOf(record),
    };
  }

  /** The page of the listing that came of it, as far as visitors find one. */
  private async hrefOf({ listingId }: SubmissionRecord): Promise<string | null> {
    const listing = listingId === null ? null : await this.store.listing(listingId);
    const catalog = listing && this.live.catalog(listing.kindId);
    if (!listing || !catalog?.isOnSite(listing.id, this.live.nowInMs()) || !catalog.kind.hasListingPages) return null;
    return listingPath(catalog.kind, listing);
  }

  private begun(record: SubmissionRecord, secret: string, values: SentValues): SendingState {
    const { form, kind } = this.formOf(record);
    const context = this.live.context();
    const answers: Answers = Object.fromEntries(
      questionsOf(form!.definition).flatMap(({ field: key }) => {
        const field = askedField(kind!, key);
        return field ? [[key, answerOfValue(field, values[key], context)]] : [];
      }),
    );
    const looked = this.attempts.look({
      ...{ formId: form!.id, answers, named: {}, sender: record.sender, trap: '', secret },
      consents: form!.definition.consents.map(({ key }) => key),
    });
    const faults: FormFault[] = [];
    return { ...this.attempts.stateOf(looked, ''), summary: null, sum: '', faults };
  }

  private formOf({ formId, kindId }: SubmissionRecord): {
    form: ReturnType<typeof formsOf>[number] | undefined;
    kind: ReturnType<Live['kind']>;
  } {
    const all = formsOf(this.live.designs());
    // Whoever has only said that a listing is theirs corrects it by the first form of its kind.
    const form = all.find(({ id }) => id === formId) ?? all.find((one) => one.kindId === kindId);
    return { form, kind: this.live.kind(kindId) };
  }
}

/** What may still be changed by its sender, as it is in a unit. Refused by `submission.decided`. */
async function changeableIn(unit: Unit, id: number): Promise<Submission> {
  const before = await unit.submission(id);
  if (!before || !isChangeable(before)) throw Refusal.of('submission.decided');
  return before;
}

/** What became of it, in a sentence. */
function sentenceOf(record: SubmissionRecord): Word {
  const { intent, state } = record;
  if (isMessage(record)) return state === 'merged' ? 'sent.message-accepted' : `sent.message-${state}`;
  if (intent === 'mine') return 'sent.yours';
  if (intent === 'correction') return state === 'merged' ? 'sent.correction-accepted' : `sent.correction-${state}`;
  return `sent.${state}`;
}
