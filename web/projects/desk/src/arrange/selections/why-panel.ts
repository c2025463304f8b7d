import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { CatalogApi, ListingSearch, SelectionsApi } from '@plindo/api';
import type { FoundListing, JustMissing } from '@plindo/core/contract';
import type { Explanation } from '@plindo/core/query';
import type { SelectionDefinition } from '@plindo/core/structure';
import { Notices } from '../../shared/notices';

/** Why a listing is not in a selection, or where in it it is; and which listings fail one condition alone. */
@Component({
  selector: 'pl-why-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Why isn’t it here?</h2>
    <label>
      <span class="quiet">Name of a listing</span>
      <input
        class="plain-input"
        type="search"
        autocomplete="off"
        [value]="asked()?.title ?? ''"
        (input)="search.type($any($event.target).value)"
      />
    </label>
    @if (search.found().length) {
      <ul class="found">
        @for (one of search.found(); track one.id) {
          <li>
            <button type="button" (click)="ask(one)">{{ one.title }}</button>
          </li>
        }
      </ul>
    }
    @if (answer(); as explanation) {
      <div role="status" class="answer">
        @if (explanation.position; as position) {
          <p>
            <strong>{{ asked()?.title }}</strong> is here: number {{ position }}, on page {{ explanation.page }}.
          </p>
        } @else {
          <p>
            <strong>{{ asked()?.title }}</strong> is not here:
          </p>
          <ul>
            @for (reason of explanation.reasons; track $index) {
              <li>
                @if (reason.place) {
                  <span class="quiet">Condition {{ reason.place }}:</span>
                }
                {{ reason.sentence }}
              </li>
            }
          </ul>
        }
      </div>
    }
    <button type="button" class="link" (click)="showMissing()">Show the listings that just miss</button>
    @for (one of missing(); track one.at) {
      @if (one.total > 0) {
        <p>
          {{ one.total }} fail condition {{ one.at + 1 }} alone:
          <span class="quiet">{{ one.titles.join('; ') }}{{ one.total > one.titles.length ? ' …' : '' }}</span>
        </p>
      }
    }
    @if (missing() && noneMissing()) {
      <p class="quiet">None fails one condition alone.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    label {
      display: grid;
      gap: 0.125rem;
    }
    ul {
      margin: 0;
      padding-inline-start: 1.25rem;
    }
    .found {
      padding: 0;
      list-style: none;
    }
    .found button,
    .link {
      padding: 0.25rem 0;
      border: 0;
      background: none;
      color: var(--pl-teal);
      font: inherit;
      text-align: start;
      text-decoration: underline;
      cursor: pointer;
    }
    .answer {
      padding: 0.5rem 0.75rem;
      border-inline-start: 4px solid var(--pl-teal);
      background: var(--pl-teal-wash);
    }
  `,
})
export class WhyPanel {
  readonly selection = input.required<SelectionDefinition>();

  private readonly api = inject(SelectionsApi);
  private readonly notices = inject(Notices);

  protected readonly search = new ListingSearch(inject(CatalogApi));
  protected readonly asked = signal<FoundListing | null>(null);
  protected readonly answer = signal<Explanation | null>(null);
  protected readonly missing = signal<readonly JustMissing[] | null>(null);

  protected ask(listing: FoundListing): void {
    this.search.clear();
    this.asked.set(listing);
    this.api.explain(this.selection(), listing.id).subscribe({
      next: (explanation) => this.answer.set(explanation),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected showMissing(): void {
    this.api.missing(this.selection()).subscribe({
      next: (missing) => this.missing.set(missing),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected noneMissing(): boolean {
    return (this.missing() ?? []).every(({ total }) => total === 0);
  }
}
