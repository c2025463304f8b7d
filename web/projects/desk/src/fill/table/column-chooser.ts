import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Icon } from '@plindo/listing-view';
import type { TableView } from '@plindo/core/contract';
import type { TableColumn } from './table-columns';

/** Which columns are shown and in which order, and named views of the table. */
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
      <section aria-label="Views of the table">
        <h2>Views</h2>
        @for (view of views(); track view.name) {
          <p>
            <button matButton type="button" (click)="viewChosen.emit(view)">{{ view.name }}</button>
            <button
              matButton
              type="button"
              [attr.aria-label]="'Delete the view ' + view.name"
              (click)="viewRemoved.emit(view)"
            >
              <pl-icon name="delete" />
            </button>
          </p>
        } @empty {
          <p class="quiet">Keep columns, sorting and what is shown under a name.</p>
        }
        <form (submit)="$event.preventDefault(); keep(name)">
          <input #name class="plain-input" aria-label="Name of the view" placeholder="Name" maxlength="60" />
          <button matButton type="submit">Keep this view</button>
        </form>
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
  readonly views = input.required<readonly TableView[]>();
  readonly frozenChange = output<readonly string[]>();
  readonly shownChange = output<readonly string[]>();
  readonly viewKept = output<string>();
  readonly viewChosen = output<TableView>();
  readonly viewRemoved = output<TableView>();

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

  protected keep(name: HTMLInputElement): void {
    if (name.value.trim() === '') return;
    this.viewKept.emit(name.value.trim());
    name.value = '';
  }
}
