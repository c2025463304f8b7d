import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, input, output, signal, viewChild } from '@angular/core';
import type { TableView } from '@plindo/core/contract';
import { Icon } from '@plindo/listing-view';

/** The kept views of the table as tabs, with a way to keep what is shown as another one. */
@Component({
  selector: 'pl-view-tabs',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul>
      <li>
        <button type="button" class="tab" [attr.aria-current]="current() === null" (click)="chosen.emit(null)">
          All
        </button>
      </li>
      @for (view of views(); track view.name) {
        <li>
          <button type="button" class="tab" [attr.aria-current]="current() === view.name" (click)="chosen.emit(view)">
            {{ view.name }}
          </button>
          @if (current() === view.name) {
            <button
              type="button"
              class="small"
              [attr.aria-label]="'Delete the view ' + view.name"
              title="Delete this view; the listings stay"
              (click)="removed.emit(view)"
            >
              <pl-icon name="close" />
            </button>
          }
        </li>
      }
      <li>
        @if (isNaming()) {
          <form (submit)="$event.preventDefault(); keep(name.value)" (keydown.escape)="isNaming.set(false)">
            <input #name class="plain-input" aria-label="Name of the view" placeholder="Name" maxlength="60" />
            <button type="submit" class="small">Keep</button>
          </form>
        } @else {
          <button
            type="button"
            class="small"
            title="Keep columns, filters and sorting under a name"
            (click)="isNaming.set(true)"
          >
            <pl-icon name="add" />Keep this view
          </button>
        }
      </li>
    </ul>
  `,
  styles: `
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.25rem;
      margin: 0;
      padding: 0 1rem;
      list-style: none;
    }
    li {
      display: inline-flex;
      align-items: center;
    }
    button {
      display: inline-flex;
      gap: 0.25rem;
      align-items: center;
      min-block-size: 2rem;
      padding-inline: 0.625rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      font: inherit;
      cursor: pointer;
    }
    .tab {
      border-block-end: 3px solid transparent;
    }
    .tab[aria-current='true'] {
      border-color: var(--pl-accent);
      color: var(--pl-ink);
      font-weight: 640;
    }
    .small {
      padding-inline: 0.25rem;
      font-size: 0.9375rem;
    }
    form {
      display: inline-flex;
      gap: 0.25rem;
    }
    input {
      inline-size: 10rem;
    }
  `,
})
export class ViewTabs {
  readonly views = input.required<readonly TableView[]>();
  /** Name of the view that was chosen last; null for none. */
  readonly current = input.required<string | null>();
  /** Null for the table as it begins. */
  readonly chosen = output<TableView | null>();
  readonly kept = output<string>();
  readonly removed = output<TableView>();

  protected readonly isNaming = signal(false);
  private readonly nameInput = viewChild<ElementRef<HTMLInputElement>>('name');

  constructor() {
    effect(() => this.nameInput()?.nativeElement.focus());
  }

  protected keep(name: string): void {
    if (name.trim() === '') return;
    this.kept.emit(name.trim());
    this.isNaming.set(false);
  }
}
