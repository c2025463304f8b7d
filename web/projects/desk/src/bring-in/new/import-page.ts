import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatRadioModule } from '@angular/material/radio';
import { RouterLink } from '@angular/router';
import { ImportsApi, SessionStore, issuesOf } from '@plindo/api';
import type { ImportState } from '@plindo/core/contract';
import type { BadValuePolicy, DryRun, ImportPlan, ImportRow, PlannedImport, RowReport } from '@plindo/core/exchange';
import { planProblem, sendInBatches } from '@plindo/core/exchange';
import { withProposedUses } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { firstValueFrom } from 'rxjs';
import { KindsStore } from '../../shared/kinds-store';
import type { WorkReport } from '../../shared/long-work/long-work';
import { LongWork } from '../../shared/long-work/long-work';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { saveAsFile } from '../../shared/save-as-file';
import { ConventionsPanel } from '../conventions-panel';
import { FileDrop } from '../file-drop';
import { FileHead } from '../file-head';
import { IssueList } from '../issue-list';
import { LinkIdeas } from '../link-ideas';
import { PasteBox } from '../paste-box';
import { ComingFile } from '../reading/coming-file';
import { ImportRefusal, ImportWorker } from '../reading/import-worker';
import { RowPictures } from '../reading/row-pictures';
import { RowReports } from '../row-reports';
import { ColumnTable } from './column-table';
import type { KindNames } from './kind-names';
import { KindNamesPanel, NO_NAMES } from './kind-names';
import { RowsPreview } from './rows-preview';
import { Explain } from '../../guide/explain';

/** Where the page stands: choosing, planning, bringing in, done. */
type Stage = 'choose' | 'plan' | 'sending' | 'done';

/** Pictures take their time, so that progress is seen. */
const ROWS_WITH_PICTURES = 20;

const NO_SITE = { name: '', tagline: '', locale: 'en', zone: 'UTC' };

/** From a file, several files, or a pasted block, to kinds with their listings. */
@Component({
  selector: 'pl-import-page',
  imports: [
    Explain,
    ColumnTable,
    ConventionsPanel,
    FileDrop,
    FileHead,
    IssueList,
    KindNamesPanel,
    LinkIdeas,
    MatButtonModule,
    MatProgressBarModule,
    MatRadioModule,
    PasteBox,
    RouterLink,
    RowReports,
    RowsPreview,
  ],
  providers: [ComingFile, ImportWorker, RowPictures],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './import-page.html',
  styleUrl: './import-page.scss',
  host: { '(window:beforeunload)': 'warn($event)' },
})
export class ImportPage implements MayHoldWork {
  /** From the address: whether cells are to be pasted. */
  readonly paste = input('');

  private readonly worker = inject(ImportWorker);
  private readonly api = inject(ImportsApi);
  private readonly kinds = inject(KindsStore);
  private readonly session = inject(SessionStore);
  private readonly work = inject(LongWork);

  private readonly pictures = inject(RowPictures);

  protected readonly file = inject(ComingFile);
  /** Rows that came in without a picture that they name, with why. */
  protected readonly lostPictures = signal<readonly RowReport[]>([]);
  protected readonly stage = signal<Stage>('choose');
  /** Files that were chosen together and come after this one. */
  protected readonly waiting = signal<readonly File[]>([]);
  protected readonly check = signal<DryRun | null>(null);
  protected readonly policy = signal<BadValuePolicy>('refuse-row');
  protected readonly names = signal<KindNames>(NO_NAMES);
  /** Why the import was refused. */
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly state = signal<ImportState | null>(null);
  protected readonly problem = computed(() => {
    const [plan, { one, many, slug }] = [this.file.plan(), this.names()];
    const isNamed = [one, many, slug].every((name) => name.trim() !== '');
    return (plan && planProblem(plan)) ?? (isNamed ? null : 'Say above what one row is, such as “Place”.');
  });
  protected readonly percent = computed(() => {
    const state = this.state();
    return state ? Math.round((100 * state.seen) / Math.max(1, state.rows)) : 0;
  });
  protected readonly showsPage = signal(false);
  protected readonly site = computed(() => this.session.session()?.site ?? NO_SITE);
  /** What the preview is made of, while it is shown and can be. */
  protected readonly planned = computed((): PlannedImport | null => {
    const plan = this.file.plan();
    if (!plan || !this.showsPage() || this.problem()) return null;
    return { plan, policy: this.policy(), kind: this.kindSketch(plan) };
  });

  private checking: Promise<void> = Promise.resolve();
  private isCancelled = false;

  constructor() {
    effect(() => {
      this.file.plan();
      this.policy();
      this.recheck();
    });
  }

  protected async choose([first, ...others]: readonly File[]): Promise<void> {
    if (!first || !(await this.begin(first, first.name))) return;
    this.waiting.set(others);
  }

  protected pasteText(text: string): Promise<boolean> {
    return this.begin(text, 'What you pasted');
  }

  /** Goes on with the next of the files that were chosen together. */
  protected async goOn(): Promise<void> {
    const [next, ...others] = this.waiting();
    if (!next) return;
    this.waiting.set(others);
    if (!(await this.begin(next, next.name))) this.stage.set('choose');
  }

  private async begin(file: File | string, name: string): Promise<boolean> {
    this.issues.set([]);
    if (!(await this.file.read(file, name))) return false;
    this.check.set(null);
    this.showsPage.set(false);
    this.state.set(null);
    this.names.set(NO_NAMES);
    this.stage.set('plan');
    return true;
  }

  /** The file with the rows that would be refused, for mending them apart. */
  protected async saveRefused(): Promise<void> {
    const csv = await this.worker.ask({ do: 'refused', rows: this.check()?.refusedRows ?? [] });
    saveAsFile(csv, this.file.name().replace(/(\.\w+)?$/, '-refused.csv'), 'text/csv');
  }

  protected async bringIn(): Promise<void> {
    const [facts, plan] = [this.file.facts(), this.file.plan()];
    if (!facts || !plan || this.problem()) return;
    this.issues.set([]);
    this.isCancelled = false;
    const kind = this.kindSketch(plan);
    const start = { fileName: this.file.name(), rows: facts.rows, policy: this.policy(), kind };
    const title = `Bringing in ${this.file.name()}`;
    const order = { title, unit: 'rows', total: facts.rows, canCancel: true };
    try {
      const started = await firstValueFrom(this.api.start(start));
      this.state.set(started);
      this.stage.set('sending');
      await this.worker.holdFor(this.work.run(order, (report) => this.sendAll(started, plan, report)));
    } catch (error) {
      await this.giveUp();
      this.issues.set(error instanceof ImportRefusal ? [error.issue] : issuesOf(error));
    }
  }

  private kindSketch({ fields }: ImportPlan): PlannedImport['kind'] {
    return { ...this.names(), fields: withProposedUses(fields) };
  }

  private async sendAll(
    { id, kindId, rows }: ImportState,
    plan: ImportPlan,
    report: WorkReport,
  ): Promise<{ readonly sentence: string; readonly link: string | null }> {
    const hasPictures = plan.fields.some(({ type }) => type === 'picture');
    const isStopped = (): boolean => this.isCancelled || report.isCancelled();
    await sendInBatches(rows, {
      read: async (offset, most) => {
        const few = hasPictures ? Math.min(most, ROWS_WITH_PICTURES) : most;
        return this.pictures.send(await this.worker.ask({ do: 'rows', plan, status: 'live', offset, most: few }));
      },
      send: async (offset, batch) => report.progress(await this.sendBatch(id, offset, batch)),
      isStopped,
      now: () => performance.now(),
    });
    if (isStopped()) {
      await this.giveUp();
      return { sentence: 'Cancelled; nothing was brought in.', link: null };
    }
    const done = await firstValueFrom(this.api.finish(id));
    this.lostPictures.set([...this.pictures.failures]);
    this.state.set(done);
    this.stage.set('done');
    await this.kinds.reload();
    return { sentence: `${done.added.toLocaleString()} ${this.names().many} are in.`, link: `/fill/${kindId}` };
  }

  /** Answers how many rows the server has seen by now. */
  private async sendBatch(id: number, offset: number, rows: readonly ImportRow[]): Promise<number> {
    const state = await firstValueFrom(this.api.sendRows(id, { offset, rows }));
    if (state.seen > (this.state()?.seen ?? 0)) this.state.set(state);
    return this.state()?.seen ?? 0;
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

  /** What is being brought in goes on when the page is left. */
  mayLeave(): boolean {
    if (this.stage() === 'done' && this.waiting().length > 0) {
      return confirm('Leave without the other files that you chose?');
    }
    return this.stage() !== 'plan' || confirm('Leave without bringing in the file?');
  }

  protected warn(event: BeforeUnloadEvent): void {
    if (this.stage() === 'sending') event.preventDefault();
  }

  private recheck(): void {
    // One after the other; an answer that a later plan has overtaken is not shown.
    this.checking = this.checking.then(async () => {
      const [plan, policy] = [this.file.plan(), this.policy()];
      const check = plan && (await this.worker.ask({ do: 'check', plan, policy }));
      if (plan === this.file.plan() && policy === this.policy()) this.check.set(check);
    });
  }
}
