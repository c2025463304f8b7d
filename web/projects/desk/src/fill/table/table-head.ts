import { A11yModule } from '@angular/cdk/a11y';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { OverlayModule } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output, signal } from '@angular/core';
import type { TableFilter } from '@plindo/core/query';
import { Icon } from '@plindo/listing-view';
import { Reading } from '../../shared/reading';
import { FilterPanel } from './filter-panel';
import type { TableColumn } from './table-columns';
import { TableLayout } from './table-layout';
import type { TableQuestion } from './table-question';

/** The first row of the table: sorts and narrows by each column, and says how many stay in view at its side. */
@Component({
  selector: 'pl-table-head',
  imports: [A11yModule, DragDropModule, FilterPanel, Icon, OverlayModule],
  host: { role: 'rowgroup' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './table-head.html',
  styleUrl: './table-head.scss',
})
export class TableHead {
  readonly question = input.required<TableQuestion>();
  /** Whether any row is chosen. */
  readonly isAnyChosen = input.required<boolean>();
  /** Chooses all rows, or none. */
  readonly allToggled = output();

  readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly layout = inject(TableLayout);
  protected readonly context = inject(Reading).context;
  /** The column whose filter is open, and the button that it hangs from. */
  protected readonly filtering = signal<{ readonly column: TableColumn; readonly from: HTMLElement } | null>(null);

  protected setFilter(column: TableColumn, filter: TableFilter | null): void {
    this.closeFilter();
    this.question().setFilter(column, filter);
  }

  protected closeFilter(): void {
    this.filtering()?.from.focus();
    this.filtering.set(null);
  }

  /** Columns to the left of a point stay in view when the table is scrolled sideways. */
  protected freezeUpTo(x: number): void {
    const cells = [...this.element.querySelectorAll<HTMLElement>('[data-column]')];
    const before = cells.filter((cell) => {
      const { left, width } = cell.getBoundingClientRect();
      return left + width / 2 < x;
    });
    this.layout.setFrozen(before.map((cell) => cell.dataset['column']!));
  }
}
