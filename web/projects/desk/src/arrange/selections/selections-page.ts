import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { Icon } from '@plindo/listing-view';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { SelectionsStore } from '../../shared/selections-store';

/** All selections: what each is for, what it shows now, where it is used, and what has become wrong with it. */
@Component({
  selector: 'pl-selections-page',
  imports: [Icon, KindList, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-stage">
      <pl-kind-list stage="arrange" />
      <div class="desk-page">
        <h1>Selections</h1>
        <p class="quiet">
          Saved questions: which listings, in which order, how many. Pages, feeds and exports use them.
        </p>
        @for (entry of selections(); track entry.selection.id) {
          <section class="panel">
            <h2>
              <a [routerLink]="['/arrange/selections', entry.selection.id]">{{ entry.selection.name }}</a>
              <span class="count">{{ entry.total }}</span>
            </h2>
            @if (entry.selection.purpose) {
              <p>{{ entry.selection.purpose }}</p>
            }
            <p class="quiet">
              {{ namesOf(entry.selection.kinds)
              }}{{ entry.usedBy.length ? '; used by ' + entry.usedBy.join(', ') : '; not used yet' }}
            </p>
            @for (fault of entry.faults; track fault.place) {
              <p class="fault">
                <pl-icon name="warning" />Condition {{ fault.place }}: {{ fault.reason }} For visitors it counts as not
                met.
              </p>
            }
          </section>
        } @empty {
          <p>
            No selection yet. Make one for what belongs together: this weekend’s courses, berths with fuel, the newest.
          </p>
        }
        <p><a matButton="filled" class="next-step" routerLink="/arrange/selections/new">New selection</a></p>
      </div>
    </div>
  `,
  styles: `
    :host {
      display: block;
      block-size: 100%;
    }
    .panel {
      display: grid;
      gap: 0.25rem;
    }
    h2 {
      display: flex;
      justify-content: space-between;
    }
    .count {
      color: var(--pl-quiet);
      font-variant-numeric: tabular-nums;
    }
    .fault {
      display: flex;
      gap: 0.375rem;
      align-items: center;
      color: var(--pl-signal);
    }
  `,
})
export class SelectionsPage {
  private readonly store = inject(SelectionsStore);
  private readonly kinds = inject(KindsStore);
  protected readonly selections = this.store.selections;

  private readonly labels = computed(() => new Map((this.kinds.kinds() ?? []).map(({ kind }) => [kind.id, kind.many])));

  constructor() {
    void this.store.reload();
  }

  protected namesOf(kinds: readonly number[]): string {
    return kinds.map((id) => this.labels().get(id) ?? 'a kind that is gone').join(', ') || 'Picked by hand';
  }
}
