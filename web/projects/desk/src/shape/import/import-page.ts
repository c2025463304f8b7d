import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatRadioModule } from '@angular/material/radio';
import { RouterLink } from '@angular/router';
import { ImportsApi, SessionStore, issuesOf } from '@plindo/api';
import type { ImportState } from '@plindo/core/contract';
import type { BadValuePolicy, DryRun, ImportPlan, ImportRow, PlannedImport } from '@plindo/core/exchange';
import { LARGEST_FILE_IN_BYTES, planProblem, sendInBatches } from '@plindo/core/exchange';
import { withProposedUses } from '@plindo/core/structure';
import { issue, slugOf, sizeWords } from '@plindo/core/values';
import type { Issue } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import { ColumnTable } from './column-table';
import type { FileFacts } from './import-protocol';
import { ImportRefusal, ImportWorker } from './import-worker';
import { kindNames } from './kind-names';
import { RowsPreview } from './rows-preview';
import { saveAsFile } from '../../shared/save-as-file';

/** Where the page stands: choosing, reading, planning, bringing in, done. */
type Stage = 'choose' | 'reading' | 'plan' | 'sending' | 'done';

const NO_SITE = { name: '', tagline: '', locale: 'en', zone: 'UTC' };

/** From a CSV file to a kind with its listings. */
@Component({
  selector: 'pl-import-page',
  imports: [
    ColumnTable,
    Icon,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    MatProgressBarModule,
    MatRadioModule,
    RouterLink,
    RowsPreview,
  ],
  providers: [ImportWorker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './import-page.html',
  styleUrl: './import-page.scss',
  host: { '(window:beforeunload)': 'warn($event)' },
})
export class ImportPage implements MayHoldWork {
  private readonly worker = inject(ImportWorker);
  private readonly api = inject(ImportsApi);
  private readonly reading = inject(Reading);
  private readonly kinds = inject(KindsStore);
  private readonly session = inject(SessionStore);
  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  protected readonly stage = signal<Stage>('choose');
  protected readonly fileName = signal('');
  protected readonly facts = signal<FileFacts | null>(null);
  protected readonly plan = signal<ImportPlan>({ columns: [], fields: [] });
  protected readonly check = signal<DryRun | null>(null);
  protected readonly policy = signal<BadValuePolicy>('refuse-row');
  protected readonly names = signal({ one: '', many: '', slug: '' });
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly state = signal<ImportState | null>(null);
  protected readonly problem = computed(() => planProblem(this.plan()));
  protected readonly percent = computed(() => {
    const state = this.state();
    return state ? Math.round((100 * state.seen) / Math.max(1, state.rows)) : 0;
  });
  protected readonly dragging = signal(false);
  protected readonly showsPage = signal(false);
  protected readonly site = computed(() => this.session.session()?.site ?? NO_SITE);
  /** What the preview is made of, while it is shown and can be. */
  protected readonly planned = computed((): PlannedImport | null => {
    if (!this.showsPage() || this.problem()) return null;
    return { plan: this.plan(), policy: this.policy(), kind: this.kindSketch() };
  });

  private checking: Promise<void> = Promise.resolve();
  private isCancelled = false;

  protected async choose(file: File | undefined): Promise<void> {
    if (!file) return;
    this.issues.set([]);
    this.check.set(null);
    this.showsPage.set(false);
    if (file.size > LARGEST_FILE_IN_BYTES) {
      const [found, greatest] = [sizeWords(file.size), sizeWords(LARGEST_FILE_IN_BYTES)];
      this.refuse([issue('file.too-large', { found, greatest })]);
      return;
    }
    this.stage.set('reading');
    this.fileName.set(file.name);
    try {
      const { locale, zone, nowInMs } = this.reading.context();
      const facts = await this.worker.ask({ do: 'read', file, scene: { locale, zone, nowInMs } });
      this.facts.set(facts);
      this.names.set(kindNames(file.name));
      this.stage.set('plan');
      this.setPlan(facts.plan);
    } catch (error) {
      this.stage.set('choose');
      this.refuse([(error as ImportRefusal).issue]);
    }
  }

  protected setPlan(plan: ImportPlan): void {
    this.plan.set(plan);
    this.recheck();
  }

  protected setPolicy(policy: BadValuePolicy): void {
    this.policy.set(policy);
    this.recheck();
  }

  protected setMany(many: string): void {
    this.names.update((names) => ({ ...names, many, slug: slugOf(many) }));
  }

  protected setName(part: 'one' | 'slug', text: string): void {
    this.names.update((names) => ({ ...names, [part]: text }));
  }

  /** The file with the rows that would be refused, for mending them apart. */
  protected async saveRefused(): Promise<void> {
    const csv = await this.worker.ask({ do: 'refused', rows: this.check()?.refusedRows ?? [] });
    saveAsFile(csv, this.fileName().replace(/(\.\w+)?$/, '-refused.csv'), 'text/csv');
  }

  protected async bringIn(): Promise<void> {
    const facts = this.facts();
    if (!facts || this.problem()) return;
    this.issues.set([]);
    this.isCancelled = false;
    const plan = this.plan();
    try {
      const kind = this.kindSketch();
      const start = { fileName: this.fileName(), rows: facts.rows, policy: this.policy(), kind };
      const started = await firstValueFrom(this.api.start(start));
      this.state.set(started);
      this.stage.set('sending');
      await this.sendAll(started.id, plan, facts.rows);
    } catch (error) {
      await this.giveUp();
      this.refuse(error instanceof ImportRefusal ? [error.issue] : issuesOf(error));
    }
  }

  private kindSketch(): PlannedImport['kind'] {
    return { ...this.names(), fields: withProposedUses(this.plan().fields) };
  }

  private async sendAll(id: number, plan: ImportPlan, rows: number): Promise<void> {
    await sendInBatches(rows, {
      read: (offset, most) => this.worker.ask({ do: 'rows', plan, status: 'live', offset, most }),
      send: (offset, batch) => this.sendBatch(id, offset, batch),
      isStopped: () => this.isCancelled,
      now: () => performance.now(),
    });
    if (this.isCancelled) {
      await this.giveUp();
      return;
    }
    this.state.set(await firstValueFrom(this.api.finish(id)));
    this.stage.set('done');
    await this.kinds.reload();
  }

  private async sendBatch(id: number, offset: number, rows: readonly ImportRow[]): Promise<void> {
    const state = await firstValueFrom(this.api.sendRows(id, { offset, rows }));
    if (state.seen > (this.state()?.seen ?? 0)) this.state.set(state);
  }

  protected cancel(): void {
    this.isCancelled = true;
  }

  /** Takes back what has been sent, and goes back to the plan, which is as it was. */
  private async giveUp(): Promise<void> {
    const id = this.state()?.id;
    this.state.set(null);
    if (this.stage() === 'sending') this.stage.set('plan');
    if (id !== undefined) await firstValueFrom(this.api.cancel(id)).catch(() => undefined);
  }

  mayLeave(): boolean {
    if (this.stage() === 'sending') return confirm('The import is still running. Leave, and nothing of it is kept?');
    return this.stage() !== 'plan' || confirm('Leave without bringing in the file?');
  }

  protected warn(event: BeforeUnloadEvent): void {
    if (this.stage() === 'sending') event.preventDefault();
  }

  private recheck(): void {
    // One after the other; an answer that a later plan has overtaken is not shown.
    this.checking = this.checking.then(async () => {
      const plan = this.plan();
      const policy = this.policy();
      const check = await this.worker.ask({ do: 'check', plan, policy });
      if (plan === this.plan() && policy === this.policy()) this.check.set(check);
    });
  }

  private refuse(issues: readonly Issue[]): void {
    this.issues.set(issues);
    setTimeout(() => this.summary()?.nativeElement.focus());
  }
}
