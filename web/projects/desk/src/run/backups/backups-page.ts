import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RunApi, SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import type { Backups, BackupSummary } from '@plindo/core/contract';
import { sizeWords } from '@plindo/core/values';
import { firstValueFrom, timer } from 'rxjs';
import { KindList } from '../../shared/kind-list';
import { LongWork } from '../../shared/long-work/long-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';

const LOOK_EVERY_IN_MS = 1500;

/** Backups: their schedule, those that were made, and how one is restored. */
@Component({
  selector: 'pl-backups-page',
  imports: [KindList, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './backups-page.html',
  styleUrl: './backups-page.scss',
})
export class BackupsPage {
  private readonly api = inject(RunApi);
  private readonly siteApi = inject(SessionApi);
  private readonly session = inject(SessionStore);
  private readonly notices = inject(Notices);
  private readonly work = inject(LongWork);
  private readonly reading = inject(Reading);
  private readonly context = this.reading.context;
  private readonly destroyed = takeUntilDestroyed<0>(inject(DestroyRef));

  protected readonly hours = Array.from({ length: 24 }, (_, hour) => hour);
  protected readonly keeps = [3, 7, 14, 30, 90];
  protected readonly found = signal<Backups | null>(null);
  protected readonly failure = signal('');
  protected readonly schedule = computed(() => this.session.session()?.site?.backups ?? null);
  protected readonly zone = computed(() => this.context().zone);
  protected readonly sizeOf = sizeWords;

  constructor() {
    this.load();
  }

  protected momentOf({ at }: BackupSummary): string {
    return this.reading.moment(at);
  }

  protected holds({ rows, files }: BackupSummary): string {
    const { formats } = this.context();
    return `${formats.number(rows)} rows, ${formats.number(files)} pictures and files`;
  }

  protected took({ tookInMs }: BackupSummary): string {
    return tookInMs < 1000 ? 'under a second' : `${Math.round(tookInMs / 1000)} s`;
  }

  protected setSchedule(change: { hour?: number; keep?: number } | null): void {
    const backups = change && { hour: 3, keep: 7, ...this.schedule(), ...change };
    this.siteApi.saveSite({ backups }).subscribe({
      next: ({ changeId }) => {
        this.reloadSite();
        const sentence = backups ? 'Changed when backups are made' : 'No more backups by themselves';
        this.notices.changed(sentence, changeId, () => this.reloadSite());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected begin(): void {
    this.api.beginBackup().subscribe({
      next: () => {
        this.load();
        void this.follow();
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  /** Shows the backup in the bar too, as it goes on when this page is left. */
  private async follow(): Promise<void> {
    const plan = { title: 'Making a backup', unit: '', total: null, link: '/run/backups' };
    const looked = this.work.run(plan, async () => {
      for (;;) {
        await firstValueFrom(timer(LOOK_EVERY_IN_MS));
        const { isRunning, backups } = await firstValueFrom(this.api.backups());
        if (!isRunning) return { sentence: backups[0]?.fault || 'The backup is made and verified.' };
      }
    });
    await looked.catch((error: unknown) => this.notices.refused(error));
  }

  private reloadSite(): void {
    this.siteApi.load().subscribe();
  }

  private load(): void {
    this.api.backups().subscribe({
      next: (found) => {
        this.found.set(found);
        if (found.isRunning)
          timer(LOOK_EVERY_IN_MS)
            .pipe(this.destroyed)
            .subscribe(() => this.load());
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }
}
