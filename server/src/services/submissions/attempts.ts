import { bestMatches } from '@plindo/core/catalog';
import type { KeptForm } from '@plindo/core/design';
import { formsOf, questionsOf, askedField, questionName } from '@plindo/core/design';
import { NameIndex } from '@plindo/core/listings';
import type { ComeBack, FormFault, SendingState, ToldOfListing } from '@plindo/core/page';
import { summaryOf } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { isEmail } from '@plindo/core/structure';
import type { Answers, GivenConsent, ReadAnswers, Sender } from '@plindo/core/submissions';
import { readAnswers } from '@plindo/core/submissions';
import type { Issue } from '@plindo/core/values';
import { Refusal, issue, toldToVisitors } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import { digest, newSecret } from '../people/secrets.js';
import { summandsOf } from './proof.js';

const KEPT_FOR_IN_MS = 86_400_000;
const LONGEST_NAME = 120;

/** What somebody has answered in a form, as it came. */
export interface SentForm {
  readonly formId: number;
  readonly answers: Answers;
  /** By the key of a link, names of listings that were typed where no search was at hand. */
  readonly named: Readonly<Record<string, readonly string[]>>;
  readonly sender: Pick<Sender, 'name' | 'email'>;
  /** Keys of the consents that were given. */
  readonly consents: readonly string[];
  /** What was typed into the field that people don't see. */
  readonly trap: string;
  /** The secret of what was sent before, which this changes; '' for something new. */
  readonly secret: string;
}

/** What somebody has answered, read. */
export interface Looked {
  readonly form: KeptForm;
  readonly kind: Kind;
  readonly sent: SentForm;
  readonly read: ReadAnswers;
  readonly consents: readonly GivenConsent[];
  readonly faults: readonly FormFault[];
}

/** What somebody tells of a listing, as it came. */
export interface SentTold extends ToldOfListing {
  readonly sender: Pick<Sender, 'name' | 'email'>;
  readonly trap: string;
}

type Kept = { readonly sent: SentForm; readonly told: null } | { readonly sent: null; readonly told: SentTold };

/** What is kept under a token, and since when its sender has been at it: milliseconds since 1970. */
type KeptSince = Kept & { readonly begunAt: number };

/** What visitors have answered in forms, or tell of listings, kept for a day until they send it. */
export class Attempts {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly clock: () => Date,
  ) {}

  /** The form with a number and its kind. Refused by `form.gone`. */
  form(id: number): { readonly form: KeptForm; readonly kind: Kind } {
    const form = formsOf(this.live.designs()).find((one) => one.id === id);
    const kind = form && this.live.kind(form.kindId ?? 0);
    if (!form || !kind) throw Refusal.of('form.gone');
    return { form, kind };
  }

  /** Reads what was answered: what is missing, what is not right, and which questions don't apply. Refused by `form.gone`. */
  look(given: SentForm): Looked {
    const { form, kind } = this.form(given.formId);
    const { answers, issues: ofNames } = this.withNamed(given, form, kind);
    const sent = { ...given, answers };
    const read = readAnswers(form.definition, kind, answers, this.live.context());
    const { definition } = form;
    const missing = definition.consents.filter(({ key, isRequired }) => isRequired && !sent.consents.includes(key));
    const at = this.clock().getTime();
    const consents = definition.consents
      .filter(({ key }) => sent.consents.includes(key))
      .map(({ words }) => ({ words, at }));
    const faults = [
      ...ofNames,
      ...read.issues,
      ...(sent.secret === '' ? this.senderIssues(sent.sender, definition.needsEmail) : []),
      ...missing.map(({ key, words }) => issue('form.consent', { words }, { field: `consent.${key}` })),
    ].map((one) => this.faultOf(one));
    return { form, kind, sent, read, consents, faults };
  }

  /** Keeps what was answered; answers its token. */
  keep(sent: SentForm): Promise<string> {
    return this.keepAs(sent.formId, { sent, told: null, begunAt: this.clock().getTime() });
  }

  /**
   * Keeps what is told of a listing; answers its token. Where it was begun under a token, its sender has been at it since
   * then: with scripts it is sent as soon as it is kept, so that the time between would say nothing.
   */
  async keepTold(told: SentTold, begunWith: string): Promise<string> {
    const begun = begunWith === '' ? null : await this.kept(begunWith);
    return this.keepAs(0, { sent: null, told, begunAt: begun?.begunAt ?? this.clock().getTime() });
  }

  private async keepAs(formId: number, kept: KeptSince): Promise<string> {
    const token = newSecret();
    const madeAt = this.clock().getTime();
    await this.store.submissions.keepAttempt(
      { tokenHash: digest(token), formId, madeAt, kept },
      madeAt - KEPT_FOR_IN_MS,
    );
    return token;
  }

  /** What is kept under a token; null for nothing, or when it is too old. */
  async kept(token: string): Promise<KeptSince | null> {
    const attempt = await this.store.submissions.attempt(digest(token));
    if (!attempt || attempt.madeAt < this.clock().getTime() - KEPT_FOR_IN_MS) return null;
    // What was kept before begunAt was may still be sent for a day.
    return { begunAt: attempt.madeAt, ...(attempt.kept as Kept) };
  }

  /** What a visitor has answered so far, for the page on which the form stands; null for nothing that is kept. */
  async state({ token, isSumWrong }: ComeBack): Promise<SendingState | null> {
    const kept = token === '' ? null : await this.kept(token);
    if (!kept) return null;
    const state = kept.sent ? this.stateOf(this.look(kept.sent), token) : this.toldState(kept.told, token);
    return isSumWrong ? { ...state, faults: [...state.faults, this.sumFault()] } : state;
  }

  sumFault(): FormFault {
    return this.faultOf(issue('form.sum', {}, { field: 'sum' }));
  }

  /** What is wrong with what is told of a listing. Refused by `request.not-found` for one that visitors don't see. */
  toldFaults({ listingId, message, sender }: SentTold): FormFault[] {
    if (this.titleOf(listingId) === '') throw Refusal.of('request.not-found');
    const label = this.live.context().formats.words.say('tell.what');
    const ofMessage = message.trim() === '' ? [issue('form.needed', { label }, { field: 'message' })] : [];
    return [...ofMessage, ...this.senderIssues(sender, true)].map((one) => this.faultOf(one));
  }

  toldState(told: SentTold, token: string): SendingState {
    const faults = this.toldFaults(told);
    const { listingId, intent, message, sender } = told;
    return {
      ...{ formId: 0, told: { listingId, intent, message }, token, secret: '', answers: {}, sender, consents: [] },
      ...{ hidden: [], faults, summary: null, sum: faults.length === 0 ? this.sumOf(token) : '' },
    };
  }

  stateOf({ form, kind, sent, read, faults }: Looked, token: string): SendingState {
    const isWhole = faults.length === 0;
    return {
      ...{ formId: form.id, told: null, token, secret: sent.secret, answers: sent.answers, sender: sent.sender },
      ...{ consents: sent.consents, hidden: read.hidden, faults },
      summary: isWhole ? summaryOf(form.definition, kind, read.values, this.live.context(), this.titleOf) : null,
      sum: isWhole ? this.sumOf(token) : '',
    };
  }

  /** What people without scripts are asked, in words. */
  private sumOf(token: string): string {
    const { words } = this.live.context().formats;
    const [a, b] = summandsOf(token);
    return words.say('form.sum', { a: words.say(numberWord(a)), b: words.say(numberWord(b)) });
  }

  /** The title of a listing on the site; '' for any other. */
  readonly titleOf = (id: number): string => this.live.catalogShowing(id)?.titleOf(id) ?? '';

  /** Listings of a kind on the site that words find, the best first. */
  search(kindId: number, text: string, most: number): { readonly id: number; readonly title: string }[] {
    const catalog = this.live.scene().catalogOf(kindId);
    if (!catalog) return [];
    const within = catalog.onSiteAt(this.live.nowInMs());
    const matches = catalog.text.search(text, { within });
    const rows = matches ? bestMatches(matches, most) : [...within.toRows()].slice(0, most);
    return rows.map((row) => ({ id: catalog.ids[row]!, title: catalog.title.textAt(row) ?? '' }));
  }

  /** The answers with the listings that were named in words, and those that nothing is called like. */
  private withNamed({ answers, named }: SentForm, form: KeptForm, kind: Kind): { answers: Answers; issues: Issue[] } {
    const issues: Issue[] = [];
    const found: Record<string, unknown> = {};
    for (const question of questionsOf(form.definition)) {
      const field = askedField(kind, question.field);
      const names = named[question.field] ?? [];
      if (field?.type !== 'link' || names.length === 0) continue;
      const index = this.namesOf(field.settings.linked?.kindId ?? 0);
      const ids = names.map((name) => index.find(name));
      const lost = names.find((_, at) => typeof ids[at] === 'string');
      if (lost !== undefined) {
        issues.push(issue('form.link', { label: questionName(question, kind), found: lost }, { field: field.key }));
      } else found[field.key] = ids.map((one) => (typeof one === 'string' ? 0 : one.id));
    }
    return { answers: { ...answers, ...found }, issues };
  }

  private namesOf(kindId: number): NameIndex {
    const index = new NameIndex();
    const catalog = this.live.scene().catalogOf(kindId);
    catalog?.onSiteAt(this.live.nowInMs()).forEach((row) => {
      const id = catalog.ids[row]!;
      index.add(id, catalog.titleOf(id));
    });
    return index;
  }

  private senderIssues({ name, email }: SentForm['sender'], needsEmail: boolean): Issue[] {
    const { words } = this.live.context().formats;
    const tooLong = { label: words.say('form.name'), greatest: LONGEST_NAME, found: name.length };
    const ofName = name.length > LONGEST_NAME ? [issue('value.too-long', tooLong, { field: 'sender.name' })] : [];
    const field = 'sender.email';
    if (email !== '') return isEmail(email) ? ofName : [...ofName, issue('form.email', { found: email }, { field })];
    return needsEmail ? [...ofName, issue('form.needed', { label: words.say('form.email') }, { field })] : ofName;
  }

  /** A refusal in the words of the site. */
  private faultOf(refused: Issue): FormFault {
    return { field: refused.field ?? '', message: toldToVisitors(this.live.context().formats.words, refused) };
  }
}

type NumberWord = `form.number.${1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9}`;

function numberWord(number: number): NumberWord {
  return `form.number.${number}` as NumberWord;
}
