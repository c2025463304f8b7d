import { ChangeDetectionStrategy, Component, effect, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi } from '@plindo/api';
import { Icon } from '@plindo/listing-view';
import { TableMemory } from '../table-memory';

/** A listing with its position in the table, counted from 0. */
export interface Step {
  readonly id: number;
  readonly at: number;
}

/** The way to the previous and the next listing, in the order of the table. */
@Component({
  selector: 'pl-neighbours',
  imports: [Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matButton
      type="button"
      [disabled]="!previous()"
      title="Previous listing (Alt+Page Up)"
      (click)="go(previous())"
    >
      <pl-icon name="arrow_upward" />Previous
    </button>
    <button matButton type="button" [disabled]="!next()" title="Next listing (Alt+Page Down)" (click)="go(next())">
      <pl-icon name="arrow_downward" />Next
    </button>
  `,
  host: {
    '(document:keydown.alt.pageup)': 'go(previous(), $event)',
    '(document:keydown.alt.pagedown)': 'go(next(), $event)',
  },
})
export class Neighbours {
  readonly kindId = input.required<number>();
  /** Position in the table, counted from 0. */
  readonly at = input.required<number>();
  readonly stepped = output<Step>();

  private readonly api = inject(CatalogApi);
  private readonly memory = inject(TableMemory);
  protected readonly previous = signal<Step | null>(null);
  protected readonly next = signal<Step | null>(null);

  constructor() {
    effect((onCleanup) => {
      const [kindId, at] = [this.kindId(), this.at()];
      const offset = Math.max(0, at - 1);
      const sent = this.api
        .listings(kindId, { ...this.memory.askOf(kindId), offset, limit: 3 })
        .subscribe(({ listings }) => {
          const stepAt = (position: number): Step | null => {
            const listing = listings[position - offset];
            return listing ? { id: listing.id, at: position } : null;
          };
          this.previous.set(at > 0 ? stepAt(at - 1) : null);
          this.next.set(stepAt(at + 1));
        });
      onCleanup(() => sent.unsubscribe());
    });
  }

  protected go(step: Step | null, event?: Event): void {
    event?.preventDefault();
    if (step) this.stepped.emit(step);
  }
}
