import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { CatalogApi, ListingSearch, SelectionsApi } from '@plindo/api';
import type { FoundListing, JustMissing } from '@plindo/core/contract';
import type { Explanation } from '@plindo/core/query';
import type { SelectionDefinition } from '@plindo/core/structure';
import { ExplanationView } from '@plindo/listing-view';
import { Notices } from '../../shared/notices';

/** Why a listing is not in a selection, or where in it it is; and which listings fail one condition alone. */
@Component({
  selector: 'pl-why-panel',
  imports: [ExplanationView, RouterLink],
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
    @if (asked(); as listing) {
      @if (answer(); as explanation) {
        <pl-explanation
          role="status"
          class="answer"
          [explanation]="explanation"
          [title]="listing.title"
          [href]="'/desk/fill/' + listing.kindId + '/' + listing.id"
        />
      }
    }
    <button type="button" class="link" (click)="showMissing()">Show the listings that just miss</button>
    @for (one of missing(); track one.at) {
      @if (one.total > 0) {
        <p>
          {{ one.total }} fail condition {{ one.at + 1 }} alone:
          @for (listing of one.listings; track listing.id; let last = $last) {
            <a [routerLink]="['/fill', listing.kindId, listing.id]">{{ listing.title }}</a>{{
              last ? (one.total > one.listings.length ? ' …' : '') : '; '
            }}
          }
        </p>
      }
    }
    @if (missing() && noneMissing()) {
      <p class="quiet">No listing fails just one condition.</p>
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
    .found {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .found button,
    .link {
      padding: 0.25rem 0;
      border: 0;
      background: none;
      color: var(--pl-accent);
      font: inherit;
      text-align: start;
      text-decoration: underline;
      cursor: pointer;
    }
    .answer {
      display: block;
      padding: 0.5rem 0.75rem;
      border-inline-start: 4px solid var(--pl-accent);
      background: var(--pl-wash);
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
