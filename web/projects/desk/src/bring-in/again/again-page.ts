import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { ImportsApi, issuesOf } from '@plindo/api';
import type { FileUpdateResult, MissingAct } from '@plindo/core/contract';
import type { BadValuePolicy } from '@plindo/core/exchange';
import { planForKindProblem, waysToMatch } from '@plindo/core/exchange';
import type { Status } from '@plindo/core/listings';
import { fieldAt } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { firstValueFrom } from 'rxjs';
import { KindsStore } from '../../shared/kinds-store';
import { LongWork } from '../../shared/long-work/long-work';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { ConventionsPanel } from '../conventions-panel';
import { FileDrop } from '../file-drop';
import { FileHead } from '../file-head';
import { IssueList } from '../issue-list';
import { ComingFile } from '../reading/coming-file';
import { ImportRefusal, ImportWorker } from '../reading/import-worker';
import { RowReports } from '../row-reports';
import { ChangedRows } from './changed-rows';
import type { Comparison, ComparisonOrder } from './file-comparison';
import { FileComparison, updateOf } from './file-comparison';
import { TargetTable } from './target-table';
import { Explain } from '../../guide/explain';

type Stage = 'choose' | 'plan' | 'sending' | 'done';

/** So much can be added, changed, hidden and binned in one change. */
const MOST_ACTS = 20_000;
const MOST_SHOWN = 100;

/** A file goes into a kind that has listings already: each row is about one of them, or adds one. */
@Component({
  selector: 'pl-again-page',
  imports: [
    Explain,
    ChangedRows,
    ConventionsPanel,
    FileDrop,
    FileHead,
    IssueList,
    MatButtonModule,
    MatProgressBarModule,
    RouterLink,
    RowReports,
    TargetTable,
  ],
  providers: [ComingFile, FileComparison, ImportWorker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './again-page.html',
  styleUrl: './again-page.scss',
})
export class AgainPage implements MayHoldWork {
  readonly kindId = input.required<string>();

  private readonly api = inject(ImportsApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly work = inject(LongWork);
  protected readonly comparing = inject(FileComparison);
  protected readonly file = inject(ComingFile);

  protected readonly kind = this.kinds.kindOf(this.kindId);
  protected readonly stage = signal<Stage>('choose');
  protected readonly issues = signal<readonly Issue[]>([]);
  /** What a person has chosen to match by; '' for what is surest. */
  private readonly chosenBy = signal('');
  protected readonly policy = signal<BadValuePolicy>('refuse-row');
  protected readonly keepsBlanks = signal(true);
  protected readonly status = signal<Status | null>(null);
  protected readonly missingAct = signal<MissingAct>('leave');
  protected readonly found = signal<Comparison | null>(null);
  protected readonly result = signal<FileUpdateResult | null>(null);
  protected readonly mostShown = MOST_SHOWN;

  protected readonly ways = computed(() => {
    const [plan, kind] = [this.file.plan(), this.kind()];
    if (!plan || !kind) return [];
    return waysToMatch(plan, kind).map((by) => ({ by, label: fieldAt(kind, by)?.label ?? by }));
  });
  protected readonly by = computed(() => {
    const ways = this.ways();
    return ways.find(({ by }) => by === this.chosenBy())?.by ?? ways[0]?.by ?? '@title';
  });
  protected readonly problem = computed(() => {
    const plan = this.file.plan();
    return plan && planForKindProblem(plan, this.by());
  });
  /** How many listings are added, changed, hidden or binned by what was compared. */
  protected readonly acts = computed(() => {
    const found = this.found();
    if (!found) return 0;
    return found.added.length + found.changed.length + (this.missingAct() === 'leave' ? 0 : found.missing.length);
  });
  protected readonly tooMany = computed(() => {
    if (this.acts() <= MOST_ACTS) return '';
    const [found, greatest] = [this.number(this.acts()), this.number(MOST_ACTS)];
    return `${found} listings would change; at most ${greatest} can in one go. Split the file and bring in the parts.`;
  });

  constructor() {
    if (!this.kinds.kinds()) void this.kinds.reload();
    // What was compared is no longer true once the file is to be read, or matched, otherwise.
    effect(() => {
      this.file.plan();
      this.by();
      this.policy();
      this.keepsBlanks();
      this.status();
      this.found.set(null);
    });
  }

  protected number(count: number): string {
    return this.reading.context().formats.number(count);
  }

  protected async read(file: File | string, name: string): Promise<void> {
    const kind = this.kind();
    if (!kind) return;
    this.issues.set([]);
    if (await this.file.read(file, name, kind)) this.stage.set('plan');
  }

  protected matchBy(by: string): void {
    this.chosenBy.set(by);
  }

  protected async compare(): Promise<void> {
    const [kind, order] = [this.kind(), this.order()];
    if (!kind || !order || this.problem()) return;
    this.issues.set([]);
    try {
      const found = await this.comparing.run(kind.id, order);
      this.found.set(found);
    } catch (error) {
      this.refuse(error);
    }
  }

  protected async bringIn(): Promise<void> {
    const [kind, order, found] = [this.kind(), this.order(), this.found()];
    if (!kind || !order || !found || this.acts() === 0 || this.tooMany()) return;
    this.issues.set([]);
    this.stage.set('sending');
    const title = `Bringing in ${order.fileName}`;
    const sent = this.api.updateFromFile(kind.id, updateOf(found, order, this.missingAct()));
    try {
      const { changeId, result } = await firstValueFrom(this.work.follow(sent, title, 'It is in.'));
      this.result.set(result);
      this.stage.set('done');
      this.notices.changed(`Brought in ${order.fileName}`, changeId, () => this.stage.set('choose'));
    } catch (error) {
      this.stage.set('plan');
      this.refuse(error);
    }
  }

  mayLeave(): boolean {
    return this.stage() !== 'plan' || confirm('Leave without bringing in the file?');
  }

  private order(): ComparisonOrder | null {
    const [plan, kind] = [this.file.plan(), this.kind()];
    if (!plan || !kind) return null;
    return {
      ...{ plan, fileName: this.file.name(), by: this.by(), policy: this.policy() },
      ...{ keepsBlanks: this.keepsBlanks(), status: this.status() ?? kind.startStatus },
    };
  }

  private refuse(error: unknown): void {
    this.issues.set(error instanceof ImportRefusal ? [error.issue] : issuesOf(error));
  }
}
