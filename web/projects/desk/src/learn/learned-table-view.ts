import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { LearnedCell, LearnedTable } from '@plindo/core/learn';
import { cellText, learnedCsv } from '@plindo/core/learn';
import { Icon } from '@plindo/listing-view';
import { Reading } from '../shared/reading';
import { saveAsFile } from '../shared/save-as-file';
import { ActButtons } from './acts/act-buttons';
import { LearnChart } from './learn-chart';

const SHOWN_FIRST = 10;

/** A table of what was learned, with its chart above it and a way to save it as a file. */
@Component({
  selector: 'pl-learned-table',
  imports: [ActButtons, Icon, LearnChart, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './learned-table-view.html',
  styleUrl: './learned-table-view.scss',
})
export class LearnedTableView {
  readonly table = input.required<LearnedTable>();
  /** The part of a file's name that tells the days. */
  readonly days = input.required<string>();
  /** Something was done about a row. */
  readonly acted = output<void>();
  /** Somebody asks for the views of a listing over time. */
  readonly overTime = output<number>();

  private readonly reading = inject(Reading);
  protected readonly showsAll = signal(false);
  protected readonly shown = computed(() => {
    const { rows } = this.table();
    return this.showsAll() ? rows : rows.slice(0, SHOWN_FIRST);
  });
  protected readonly hasActs = computed(() => this.table().rows.some(({ acts, listing }) => acts?.length || listing));

  protected text(cell: LearnedCell, column: number): string {
    return cellText(cell, this.table().columns[column]!.kind, this.reading.context().formats);
  }

  protected isNumber(column: number): boolean {
    return this.table().columns[column]!.kind !== 'words';
  }

  protected save(): void {
    saveAsFile(learnedCsv(this.table()), `${this.table().key}-${this.days()}.csv`, 'text/csv;charset=utf-8');
  }
}
