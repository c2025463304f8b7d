import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Icon } from '@plindo/listing-view';
import type { TableColumn } from './table-columns';

/** Which columns are shown, in which order, and which of them stay in view. */
@Component({
  selector: 'pl-column-chooser',
  imports: [DragDropModule, Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="chooser">
      <section aria-label="Columns">
        <h2>Columns</h2>
        <ul cdkDropList (cdkDropListDropped)="dropped($event)">
          @for (column of ordered(); track column.field.key; let at = $index) {
            <li cdkDrag>
              <pl-icon name="drag_indicator" cdkDragHandle />
              <label>
                <input
                  type="checkbox"
                  [checked]="shown().includes(column.field.key)"
                  (change)="toggle(column.field.key, $any($event.target).checked)"
                />
                {{ column.field.label }}
              </label>
              <button
                matButton
                type="button"
                [attr.aria-pressed]="frozen().includes(column.field.key)"
                [attr.aria-label]="'Keep ' + column.field.label + ' in view'"
                title="Keep it in view when the table is scrolled sideways"
                [disabled]="!shown().includes(column.field.key)"
                (click)="freeze(column.field.key)"
              >
                <pl-icon name="keep" [class.on]="frozen().includes(column.field.key)" />
              </button>
              <button
                matButton
                type="button"
                [disabled]="at === 0"
                [attr.aria-label]="'Move ' + column.field.label + ' left'"
                (click)="move(at, at - 1)"
              >
                <pl-icon name="arrow_upward" />
              </button>
            </li>
          }
        </ul>
      </section>
    </div>
  `,
  styles: `
    .chooser {
      display: flex;
      flex-wrap: wrap;
      gap: 1rem 3rem;
      max-block-size: 22rem;
      padding: 0.75rem 1rem;
      overflow-y: auto;
      border-block-end: 1px solid var(--pl-line);
      background: var(--pl-raised);
    }
    h2 {
      font-size: 1rem;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      background: var(--pl-raised);
    }
    pl-icon {
      opacity: 0.5;
    }
    .on {
      color: var(--pl-accent);
      opacity: 1;
    }
    li label {
      flex: 1;
      min-inline-size: 10rem;
    }
  `,
})
export class ColumnChooser {
  readonly columns = input.required<readonly TableColumn[]>();
  /** Keys of the shown columns, in order. */
  readonly shown = input.required<readonly string[]>();
  /** Keys of those that stay in view when the table is scrolled sideways. */
  readonly frozen = input.required<readonly string[]>();
  readonly frozenChange = output<readonly string[]>();
  readonly shownChange = output<readonly string[]>();

  /** The shown columns in their order, then the others. */
  protected readonly ordered = computed(() => {
    const byKey = new Map(this.columns().map((column) => [column.field.key, column]));
    const first = this.shown().flatMap((key) => byKey.get(key) ?? []);
    return [...first, ...this.columns().filter((column) => !first.includes(column))];
  });

  protected toggle(key: string, isShown: boolean): void {
    const others = this.shown().filter((other) => other !== key);
    this.shownChange.emit(isShown ? [...others, key] : others);
  }

  protected freeze(key: string): void {
    const others = this.frozen().filter((other) => other !== key);
    this.frozenChange.emit(others.length < this.frozen().length ? others : [...others, key]);
  }

  protected move(from: number, to: number): void {
    const keys = this.ordered().map(({ field }) => field.key);
    moveItemInArray(keys, from, to);
    this.shownChange.emit(keys.filter((key) => this.shown().includes(key)));
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }
}
