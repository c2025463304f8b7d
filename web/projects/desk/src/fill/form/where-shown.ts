import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { SelectionsApi } from '@plindo/api';
import type { ListingInSelection } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';

/** In which selections a listing is, as it is kept, and why it isn't in the others. */
@Component({
  selector: 'pl-where-shown',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (selections().length) {
      <section class="panel">
        <h2>Where it is shown</h2>
        <ul>
          @for (one of selections(); track one.id) {
            <li>
              <a [routerLink]="['/arrange/selections', one.id]">{{ one.name }}</a>
              @if (one.explanation.position; as position) {
                <span class="quiet">number {{ position }}, on page {{ one.explanation.page }}</span>
              } @else {
                <details>
                  <summary>Why isn’t it here?</summary>
                  <ul>
                    @for (reason of one.explanation.reasons; track $index) {
                      <li>{{ reason.sentence }}</li>
                    }
                  </ul>
                </details>
              }
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    .panel {
      display: grid;
      gap: 0.5rem;
    }
    h2 {
      font-size: 1.0625rem;
    }
    ul {
      display: grid;
      gap: 0.375rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    summary {
      color: var(--pl-quiet);
      cursor: pointer;
    }
  `,
})
export class WhereShown {
  /** As it is kept; a new state is asked about anew. */
  readonly listing = input.required<Listing>();

  private readonly api = inject(SelectionsApi);
  protected readonly selections = signal<readonly ListingInSelection[]>([]);

  constructor() {
    effect(() => {
      this.api.ofListing(this.listing().id).subscribe({
        next: (selections) => this.selections.set(selections),
        // A hint that cannot be given is no reason to disturb.
        error: () => this.selections.set([]),
      });
    });
  }
}
