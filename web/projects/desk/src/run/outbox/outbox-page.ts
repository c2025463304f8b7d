import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { DomSanitizer } from '@angular/platform-browser';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { PausedQuestion, RunApi, sentenceOf } from '@plindo/api';
import type { MailSummary, MailWhole, MailWindow } from '@plindo/core/contract';
import { Icon } from '@plindo/listing-view';
import { KindList } from '../../shared/kind-list';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';

/** The mails that Plindo wrote, to be read as a mail program shows them. */
@Component({
  selector: 'pl-outbox-page',
  imports: [Icon, KindList, MatButtonModule, MatButtonToggleModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './outbox-page.html',
  styleUrl: './outbox-page.scss',
})
export class OutboxPage {
  private readonly api = inject(RunApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly sanitizer = inject(DomSanitizer);
  private readonly reading = inject(Reading);
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap);

  protected readonly text = signal('');
  protected readonly found = signal<MailWindow | null>(null);
  protected readonly failure = signal('');
  protected readonly mail = signal<MailWhole | null>(null);
  protected readonly showsHtml = signal(false);
  /** The mail that the address names. */
  protected readonly openId = computed(() => Number(this.query()?.get('mail') ?? 0));
  /** In a frame without scripts and without a way out of it. */
  protected readonly html = computed(() => this.sanitizer.bypassSecurityTrustHtml(this.mail()?.html ?? ''));

  private readonly question = new PausedQuestion((text: string) => this.api.mails(text, null), {
    next: (found) => this.found.set(found),
    error: (error) => this.failure.set(sentenceOf(error)),
  });

  constructor() {
    this.question.ask('');
    const id = this.openId();
    if (id > 0) this.read(id);
  }

  protected search(text: string): void {
    this.text.set(text);
    this.question.ask(text);
  }

  protected open({ id }: MailSummary): void {
    void this.router.navigate([], { queryParams: { mail: id }, queryParamsHandling: 'merge' });
    this.read(id);
  }

  protected close(): void {
    this.mail.set(null);
    void this.router.navigate([], { queryParams: { mail: null }, queryParamsHandling: 'merge' });
  }

  protected more(): void {
    const { mails = [], total = 0 } = this.found() ?? {};
    this.api.mails(this.text(), mails.at(-1)?.id ?? null).subscribe({
      next: (more) => this.found.set({ ...more, total, mails: [...mails, ...more.mails] }),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  protected stateOf({ state, sentAt, fault }: MailSummary): string {
    if (state === 'sent') return `Sent ${sentAt === null ? '' : this.momentOf(sentAt)}`;
    if (state === 'refused') return `Not sent: ${fault}`;
    if (state === 'waiting') return fault === '' ? 'Waits to be sent' : `Waits to be tried again: ${fault}`;
    return 'Kept here';
  }

  private read(id: number): void {
    this.api.mail(id).subscribe({
      next: (mail) => this.mail.set(mail),
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
