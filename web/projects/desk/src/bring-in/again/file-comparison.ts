import { Injectable, inject, signal } from '@angular/core';
import { ImportsApi } from '@plindo/api';
import type { FileUpdate, MissingAct } from '@plindo/core/contract';
import type {
  BadValuePolicy,
  ImportPlan,
  ListingName,
  RowComparison,
  RowOutcomeAgain,
  RowReport,
} from '@plindo/core/exchange';
import { sendInBatches } from '@plindo/core/exchange';
import type { Status } from '@plindo/core/listings';
import { firstValueFrom } from 'rxjs';
import { LongWork } from '../../shared/long-work/long-work';
import { ImportWorker } from '../reading/import-worker';

/** How a file is compared with what is there. */
export interface ComparisonOrder {
  readonly fileName: string;
  readonly plan: ImportPlan;
  /** What names the listings: "@title", "@slug", or the key of a field. */
  readonly by: string;
  readonly policy: BadValuePolicy;
  /** Whether an empty cell leaves what is there. */
  readonly keepsBlanks: boolean;
  /** How new listings begin. */
  readonly status: Status;
}

/** What a file would make of a kind. */
export interface Comparison {
  readonly counts: Readonly<Record<RowOutcomeAgain, number>>;
  /** Rows that add or change something, all of them. */
  readonly changed: readonly RowComparison[];
  readonly added: readonly RowComparison[];
  /** Rows that stay out, the first thousand, and those of which some values do. */
  readonly refused: readonly RowReport[];
  readonly incomplete: readonly RowReport[];
  readonly missing: readonly ListingName[];
}

const MOST_TOLD = 1000;

/** Compares a file with the listings of a kind: rows are matched here and compared by the server, some at a time. */
@Injectable()
export class FileComparison {
  private readonly api = inject(ImportsApi);
  private readonly worker = inject(ImportWorker);
  private readonly work = inject(LongWork);

  readonly isRunning = signal(false);

  /** Answers null when it was cancelled. */
  async run(kindId: number, order: ComparisonOrder): Promise<Comparison | null> {
    this.isRunning.set(true);
    try {
      return await this.compare(kindId, order);
    } finally {
      this.isRunning.set(false);
    }
  }

  private async compare(kindId: number, order: ComparisonOrder): Promise<Comparison | null> {
    const { plan, by, status, keepsBlanks, policy, fileName } = order;
    const names = await firstValueFrom(this.api.names(kindId, by));
    const facts = await this.worker.ask({ do: 'match', plan, by, names });
    const result = new Tally(facts.reports, facts.refused, facts.missing);
    const title = `Comparing ${fileName}`;
    const ended = await this.work.run({ title, unit: 'rows', total: facts.rows, canCancel: true }, async (report) => {
      let seen = 0;
      await sendInBatches(facts.rows, {
        read: (offset, most) => this.worker.ask({ do: 'matched', plan, status, keepsBlanks, offset, most }),
        send: async (_offset, rows) => {
          result.add(await firstValueFrom(this.api.compare(kindId, rows, policy)));
          report.progress((seen += rows.length));
        },
        isStopped: () => report.isCancelled(),
        now: () => performance.now(),
      });
      return { sentence: report.isCancelled() ? 'Cancelled.' : 'Compared.', isCancelled: report.isCancelled() };
    });
    return ended.isCancelled ? null : result.comparison();
  }
}

/** What a comparison comes to, batch by batch. */
class Tally {
  private readonly counts = { new: 0, changed: 0, same: 0, refused: 0 };
  private readonly changed: RowComparison[] = [];
  private readonly added: RowComparison[] = [];
  private readonly refusedRows: RowReport[];
  private readonly incomplete: RowReport[] = [];

  constructor(
    unmatched: readonly RowReport[],
    refused: number,
    private readonly missing: readonly ListingName[],
  ) {
    this.refusedRows = [...unmatched];
    this.counts.refused = refused;
  }

  add(rows: readonly RowComparison[]): void {
    for (const row of rows) {
      this.counts[row.outcome]++;
      if (row.outcome === 'changed') this.changed.push(row);
      if (row.outcome === 'new') this.added.push(row);
      const { line, title, issues } = row;
      const told = row.outcome === 'refused' ? this.refusedRows : issues.length > 0 ? this.incomplete : null;
      if (told && told.length < MOST_TOLD) told.push({ line, title, issues });
    }
  }

  comparison(): Comparison {
    const { counts, changed, added, incomplete, missing } = this;
    // Batches come back in any order.
    const byLine = <Row extends { readonly line: number }>(rows: readonly Row[]): Row[] =>
      [...rows].sort((a, b) => a.line - b.line);
    return {
      ...{ counts, missing, changed: byLine(changed), added: byLine(added) },
      ...{ refused: byLine(this.refusedRows), incomplete: byLine(incomplete) },
    };
  }
}

/** What is carried out of a comparison. */
export function updateOf(
  { changed, added, missing }: Comparison,
  { fileName, policy }: Pick<ComparisonOrder, 'fileName' | 'policy'>,
  act: MissingAct,
): FileUpdate {
  return {
    ...{ fileName, policy },
    changes: changed.map(({ id, version, input }) => ({ id: id!, version: version!, input })),
    additions: added.map(({ line, input }) => ({ line, input })),
    missing: { act, listings: act === 'leave' ? [] : missing.map(({ id, version }) => ({ id, version })) },
  };
}
