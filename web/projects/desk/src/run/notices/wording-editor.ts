import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { NoticeWording } from '@plindo/api';
import { CatalogApi, DesignsApi, ListingSearch, PausedQuestion, RunApi, sentenceOf } from '@plindo/api';
import type { FoundListing } from '@plindo/core/contract';
import type { KeptWords, WordsDesign } from '@plindo/core/design';
import { makeWords, wordsIn } from '@plindo/core/design';
import type { ListingNotice, MailText } from '@plindo/core/notices';
import { FIELD_PLACE } from '@plindo/core/notices';
import { fieldType } from '@plindo/core/structure';
import type { Word } from '@plindo/core/values';
import { languageOf, shippedWords } from '@plindo/core/values';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import type { SayablePlace } from './place-editor';
import { PlaceEditor } from './place-editor';

type About = ListingNotice['about'];

const ABOUT: readonly (readonly [About, string])[] = [
  ['leaves-soon', 'A listing leaves soon'],
  ['has-left', 'A listing has left'],
  ['featured-ended', 'A listing is no longer featured'],
];

/** What every notice about a listing can say. */
const PLACES: readonly SayablePlace[] = [
  { name: 'title', label: 'Title' },
  { name: 'one', label: 'Kind, one of it' },
  { name: 'many', label: 'Kind, many of it' },
  { name: 'when', label: 'When, in short' },
  { name: 'moment', label: 'When, with the zone' },
  { name: 'site', label: 'Name of the site' },
  { name: 'link', label: 'Address of its page' },
];

/** What mails about listings say, with values in it, shown as the mail that it makes for a listing. */
@Component({
  selector: 'pl-wording-editor',
  imports: [MatButtonModule, PlaceEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wording-editor.html',
  styleUrl: './wording-editor.scss',
})
export class WordingEditor {
  private readonly api = inject(RunApi);
  private readonly designsApi = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);

  protected readonly all = ABOUT;
  protected readonly search = new ListingSearch(inject(CatalogApi));
  protected readonly about = signal<About>('leaves-soon');
  protected readonly listing = signal<FoundListing | null>(null);
  protected readonly subject = signal('');
  protected readonly text = signal('');
  protected readonly mail = signal<MailText | null>(null);
  protected readonly refused = signal('');

  private readonly language = computed(() => languageOf(this.reading.context().locale));
  protected readonly languageName = computed(
    () => new Intl.DisplayNames('en', { type: 'language' }).of(this.language()) ?? this.language(),
  );
  private readonly kept = computed((): KeptWords | undefined => wordsIn(this.language(), this.designs.designs() ?? []));
  protected readonly isChanged = computed(
    () => this.subject() !== this.said('subject') || this.text() !== this.said('text'),
  );
  /** Values of the kind of the listing that it is shown with come after those that every listing has. */
  protected readonly places = computed((): readonly SayablePlace[] => {
    const kind = this.kinds.kinds()?.find((one) => one.kind.id === this.listing()?.kindId)?.kind;
    const fields = (kind?.fields ?? []).filter(({ type }) => fieldType(type).short && type !== 'link');
    return [...PLACES, ...fields.map(({ key, label }) => ({ name: `${FIELD_PLACE}${key}`, label }))];
  });

  private readonly question = new PausedQuestion((wording: NoticeWording) => this.api.previewNotice(wording), {
    next: (mail) => {
      this.mail.set(mail);
      this.refused.set('');
    },
    error: (error) => this.refused.set(sentenceOf(error)),
  });

  constructor() {
    void this.designs.reload();
    // What is kept is shown whenever another notice is chosen, or it was changed elsewhere.
    effect(() => {
      const [subject, text] = [this.said('subject'), this.said('text')];
      untracked(() => this.write(subject, text));
    });
  }

  protected choose(listing: FoundListing): void {
    this.listing.set(listing);
    this.search.clear();
    this.preview();
  }

  protected write(subject: string, text: string): void {
    this.subject.set(subject);
    this.text.set(text);
    this.preview();
  }

  protected begin(): void {
    const shipped = shippedWords(this.language());
    this.write(String(shipped[this.key('subject')]), String(shipped[this.key('text')]));
  }

  protected send(): void {
    const wording = this.wording();
    if (!wording) return;
    this.api.sendNotice(wording).subscribe({
      next: () => this.notices.said('It lies in the outbox, for you'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  /** Keeps it among the words of the site, in its language; what Plindo ships needn't be kept. */
  protected save(): void {
    const kept = this.kept();
    const shipped = shippedWords(this.language());
    const said: Record<string, unknown> = { ...kept?.definition.said };
    for (const [part, own] of [
      ['subject', this.subject()],
      ['text', this.text()],
    ] as const) {
      const key = this.key(part);
      if (shipped[key] === own) Reflect.deleteProperty(said, key);
      else said[key] = own;
    }
    const definition: WordsDesign = makeWords({
      name: `Words in ${this.languageName()}`,
      language: this.language(),
      ...kept?.definition,
      said: said as WordsDesign['said'],
    });
    const sent = kept
      ? this.designsApi.save({ ...kept, definition })
      : this.designsApi.add({ type: 'words', kindId: null, definition });
    this.notices.tellAndShow(sent, 'Changed what the mail says', () => void this.designs.reload());
  }

  private key(part: 'subject' | 'text'): Word {
    return `notice.${this.about()}.${part}`;
  }

  private said(part: 'subject' | 'text'): string {
    const key = this.key(part);
    return String(this.kept()?.definition.said[key] ?? shippedWords(this.language())[key]);
  }

  private wording(): NoticeWording | null {
    const listing = this.listing();
    return listing && { about: this.about(), subject: this.subject(), text: this.text(), listing: listing.id };
  }

  private preview(): void {
    const wording = this.wording();
    if (wording) this.question.ask(wording);
  }
}
