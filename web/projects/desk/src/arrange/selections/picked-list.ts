import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { CatalogApi, ListingSearch } from '@plindo/api';
import type { FoundListing } from '@plindo/core/contract';
import { Icon } from '@plindo/listing-view';
import { forkJoin, of } from 'rxjs';
import { catchError } from 'rxjs/operators';

/** Listings picked by hand, in an order that is made by dragging or with the arrows. */
@Component({
  selector: 'pl-picked-list',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol cdkDropList (cdkDropListDropped)="drop($event)">
      @for (id of picked(); track id; let at = $index) {
        <li cdkDrag>
          <button type="button" cdkDragHandle [attr.aria-label]="'Move ' + titleOf(id)" (keydown)="move($event, at)">
            <pl-icon name="drag_indicator" />
          </button>
          <span>{{ titleOf(id) }}</span>
          <button type="button" [attr.aria-label]="'Remove ' + titleOf(id)" (click)="remove(id)">
            <pl-icon name="close" />
          </button>
        </li>
      } @empty {
        <li class="quiet">Nothing is picked yet.</li>
      }
    </ol>
    <label>
      <span class="quiet">Add a listing</span>
      <input class="plain-input" type="search" autocomplete="off" #text (input)="search.type(text.value)" />
    </label>
    @for (one of found(); track one.id) {
      <button type="button" class="add" (click)="add(one); text.value = ''">
        <pl-icon name="add" />{{ one.title }}
      </button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.375rem;
      justify-items: start;
    }
    ol {
      inline-size: 100%;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      padding: 0.125rem;
      border-block-end: 1px solid var(--pl-line);
      background: var(--pl-raised);
    }
    li span {
      flex: 1;
    }
    label {
      display: grid;
    }
    button {
      display: inline-flex;
      gap: 0.25rem;
      align-items: center;
      padding: 0.375rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      font: inherit;
      cursor: pointer;
    }
    .add {
      color: var(--pl-accent);
    }
  `,
})
export class PickedList {
  readonly picked = input.required<readonly number[]>();
  readonly pickedChange = output<readonly number[]>();

  private readonly api = inject(CatalogApi);
  protected readonly search = new ListingSearch(this.api);
  protected readonly found = computed(() => this.search.found().filter(({ id }) => !this.picked().includes(id)));
  private readonly titles = signal<ReadonlyMap<number, string>>(new Map());

  constructor() {
    effect(() => this.fetchTitles(this.picked().filter((id) => !this.titles().has(id))));
  }

  protected titleOf(id: number): string {
    return this.titles().get(id) ?? `Listing ${id}`;
  }

  protected add({ id, title }: FoundListing): void {
    this.titles.set(new Map(this.titles()).set(id, title));
    this.search.clear();
    this.pickedChange.emit([...this.picked(), id]);
  }

  protected remove(id: number): void {
    this.pickedChange.emit(this.picked().filter((other) => other !== id));
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.reorder(previousIndex, currentIndex);
  }

  protected move(event: KeyboardEvent, at: number): void {
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (step === 0) return;
    event.preventDefault();
    this.reorder(at, Math.max(0, Math.min(this.picked().length - 1, at + step)));
  }

  private reorder(from: number, to: number): void {
    const picked = [...this.picked()];
    moveItemInArray(picked, from, to);
    this.pickedChange.emit(picked);
  }

  private fetchTitles(ids: readonly number[]): void {
    if (ids.length === 0) return;
    forkJoin(ids.map((id) => this.api.listing(id).pipe(catchError(() => of(null))))).subscribe((listings) => {
      const titles = new Map(this.titles());
      ids.forEach((id, at) => titles.set(id, listings[at]?.title ?? `Listing ${id}, which is gone`));
      this.titles.set(titles);
    });
  }
}
