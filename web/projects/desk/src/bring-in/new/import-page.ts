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
import type {
  BadValuePolicy,
  DryRun,
  GivenConventions,
  ImportPlan,
  ImportRow,
  PlannedImport,
} from '@plindo/core/exchange';
import { LARGEST_FILE_IN_BYTES, planProblem, sendInBatches } from '@plindo/core/exchange';
import type { KindSketch } from '@plindo/core/structure';
import { withProposedUses } from '@plindo/core/structure';
import { issue, slugOf, sizeWords } from '@plindo/core/values';
import type { Issue } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import { pluralOf } from '../../shared/plural';
import { ColumnTable } from './column-table';
import { ConventionsPanel } from './conventions-panel';
import type { FileFacts } from './import-protocol';
import { ImportRefusal, ImportWorker } from './import-worker';
import { RowsPreview } from './rows-preview';
import { saveAsFile } from '../../shared/save-as-file';

/** Where the page stands: choosing, reading, planning, bringing in, done. */
type Stage = 'choose' | 'reading' | 'plan' | 'sending' | 'done';

/** What one row is, what many are, and where their index page stands. */
type KindNames = Pick<KindSketch, 'one' | 'many' | 'slug'>;

const NO_SITE = { name: '', tagline: '', locale: 'en', zone: 'UTC' };

/** From a file, or a pasted block, to a kind with its listings. */
@Component({
  selector: 'pl-import-page',
  imports: [
    ColumnTable,
    ConventionsPanel,
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
  host: { '(window:beforeunload)': 'warn($event)', '(document:paste)': 'paste($event)' },
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
  protected readonly plan = signal<ImportPlan | null>(null);
  /** What a person has said of how the file is written. */
  protected readonly given = signal<GivenConventions>({});
  protected readonly check = signal<DryRun | null>(null);
  protected readonly policy = signal<BadValuePolicy>('refuse-row');
  protected readonly names = signal<KindNames>({ one: '', many: '', slug: '' });
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly state = signal<ImportState | null>(null);
  protected readonly problem = computed(() => {
    const [plan, { one, many, slug }] = [this.plan(), this.names()];
    const isNamed = [one, many, slug].every((name) => name.trim() !== '');
    return (plan && planProblem(plan)) ?? (isNamed ? null : 'Say above what one row is, such as “Place”.');
  });
  protected readonly percent = computed(() => {
    const state = this.state();
    return state ? Math.round((100 * state.seen) / Math.max(1, state.rows)) : 0;
  });
  protected readonly dragging = signal(false);
  protected readonly showsPage = signal(false);
  protected readonly site = computed(() => this.session.session()?.site ?? NO_SITE);
  /** What the preview is made of, while it is shown and can be. */
  protected readonly planned = computed((): PlannedImport | null => {
    const plan = this.plan();
    if (!plan || !this.showsPage() || this.problem()) return null;
    return { plan, policy: this.policy(), kind: this.kindSketch(plan) };
  });

  private checking: Promise<void> = Promise.resolve();
  private isCancelled = false;

  protected async choose(file: File | undefined): Promise<void> {
    if (!file) return;
    if (file.size > LARGEST_FILE_IN_BYTES) {
      const [found, greatest] = [sizeWords(file.size), sizeWords(LARGEST_FILE_IN_BYTES)];
      this.refuse([issue('file.too-large', { found, greatest })]);
      return;
    }
    await this.read(file, file.name);
  }

  /** Takes a block of cells that was copied from a spreadsheet, or any other text that a file could hold. */
  protected async paste(event: ClipboardEvent): Promise<void> {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (this.stage() !== 'choose' || text.trim() === '') return;
    event.preventDefault();
    await this.read(text, 'What you pasted');
  }

  private async read(file: File | string, name: string): Promise<void> {
    this.issues.set([]);
    this.stage.set('reading');
    this.fileName.set(name);
    const { locale, zone, nowInMs } = this.reading.context();
    await this.show(this.worker.ask({ do: 'read', file, scene: { locale, zone, nowInMs } }), 'choose');
  }

  /** Shows another sheet of the workbook. */
  protected async chooseTable(at: number): Promise<void> {
    this.issues.set([]);
    await this.show(this.worker.ask({ do: 'table', at }), 'plan');
  }

  /** Shows what comes of a file; where it is refused, the page is as before. */
  private async show(asked: Promise<FileFacts>, otherwise: Stage): Promise<void> {
    try {
      const facts = await asked;
      this.check.set(null);
      this.showsPage.set(false);
      this.facts.set(facts);
      this.given.set({});
      this.stage.set('plan');
      this.setPlan(facts.plan);
    } catch (error) {
      this.stage.set(otherwise);
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

  /** Reads the whole file in another way. */
  protected async setGiven(given: GivenConventions): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    this.given.set(given);
    const again = await this.worker.ask({ do: 'reread', plan, given });
    // What was decided of a column meanwhile would be lost.
    if (plan === this.plan()) this.setPlan(again);
  }

  /** The plural follows the singular, and the address the plural, as long as nobody has typed another one. */
  protected setOne(one: string): void {
    const { locale } = this.site();
    this.names.update((names) => {
      const follows = names.many === pluralOf(names.one, locale);
      return this.withMany({ ...names, one }, follows ? pluralOf(one, locale) : names.many);
    });
  }

  protected setMany(many: string): void {
    this.names.update((names) => this.withMany(names, many));
  }

  protected setSlug(slug: string): void {
    this.names.update((names) => ({ ...names, slug }));
  }

  private withMany(names: KindNames, many: string): KindNames {
    const follows = names.slug === slugOf(names.many);
    return { ...names, many, slug: follows ? slugOf(many) : names.slug };
  }

  /** The file with the rows that would be refused, for mending them apart. */
  protected async saveRefused(): Promise<void> {
    const csv = await this.worker.ask({ do: 'refused', rows: this.check()?.refusedRows ?? [] });
    saveAsFile(csv, this.fileName().replace(/(\.\w+)?$/, '-refused.csv'), 'text/csv');
  }

  protected async bringIn(): Promise<void> {
    const facts = this.facts();
    const plan = this.plan();
    if (!facts || !plan || this.problem()) return;
    this.issues.set([]);
    this.isCancelled = false;
    try {
      const kind = this.kindSketch(plan);
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

  private kindSketch({ fields }: ImportPlan): PlannedImport['kind'] {
    return { ...this.names(), fields: withProposedUses(fields) };
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
      const check = plan && (await this.worker.ask({ do: 'check', plan, policy }));
      if (plan === this.plan() && policy === this.policy()) this.check.set(check);
    });
  }

  private refuse(issues: readonly Issue[]): void {
    this.issues.set(issues);
    setTimeout(() => this.summary()?.nativeElement.focus());
  }
}
