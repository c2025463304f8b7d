import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { CatalogApi, PausedQuestion } from '@plindo/api';
import type { FoundListing } from '@plindo/core/contract';
import { STATUS_LABELS } from '@plindo/core/listings';
import { Icon } from '@plindo/listing-view';
import { of } from 'rxjs';
import { CategorySetsStore } from '../../shared/category-sets-store';
import { GuidePages } from '../../guide/guide-pages';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';
import { Notices } from '../../shared/notices';
import { SelectionsStore } from '../../shared/selections-store';
import type { Place } from './jump-places';
import { allPlaces, matchingPlaces } from './jump-places';

const NONE = { total: 0, listings: [] };

/** Finds any listing, kind, field, category, selection, page or command by typing, and goes there. */
@Component({
  selector: 'pl-jump-box',
  imports: [Icon, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="box">
      <div class="ask">
        <pl-icon name="search" />
        <input
          type="text"
          role="combobox"
          aria-label="Jump to a listing, kind, field, category, page or command"
          aria-controls="jump-offers"
          aria-expanded="true"
          [attr.aria-activedescendant]="places().length ? 'jump-' + at() : null"
          placeholder="Jump to …"
          autocomplete="off"
          cdkFocusInitial
          [value]="text()"
          (input)="text.set($any($event.target).value)"
          (keydown)="key($event)"
        />
      </div>
      <div id="jump-offers" class="offers" role="listbox" aria-label="Found">
        @for (place of places(); track $index; let index = $index) {
          <button
            type="button"
            role="option"
            tabindex="-1"
            [id]="'jump-' + index"
            [attr.aria-selected]="index === at()"
            [class.at]="index === at()"
            (mousemove)="at.set(index)"
            (click)="go(place)"
          >
            <pl-icon [name]="place.icon" /><span class="label">{{ place.label }}</span>
            <span class="quiet">{{ place.about }}</span>
          </button>
        }
      </div>
      <p class="quiet foot" role="status">
        @if (places().length === 0) {
          Nothing has this name.
        } @else if (more()) {
          {{ more().toLocaleString() }} more listings match; type more of the title.
        }
      </p>
    </div>
  `,
  styles: `
    .box {
      display: grid;
      grid-template-rows: auto minmax(0, 1fr) auto;
      max-block-size: 70vh;
    }
    .ask {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      padding: 0.75rem 1rem;
      border-block-end: 1px solid var(--pl-line);
    }
    input {
      flex: 1;
      min-block-size: 2.5rem;
      border: 0;
      outline: 0;
      background: none;
      color: var(--pl-ink);
      font: inherit;
      font-size: 1.125rem;
    }
    .offers {
      display: grid;
      align-content: start;
      padding: 0.375rem;
      overflow-y: auto;
    }
    .offers button {
      display: flex;
      gap: 0.625rem;
      align-items: center;
      min-block-size: 2.5rem;
      padding-inline: 0.75rem;
      border: 0;
      border-radius: var(--pl-corner);
      background: none;
      color: inherit;
      font: inherit;
      text-align: start;
      cursor: pointer;
    }
    .offers .at {
      background: var(--pl-wash);
    }
    .label {
      flex: 1;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .foot {
      min-block-size: 2.25rem;
      margin: 0;
      padding: 0.375rem 1rem;
      border-block-start: 1px solid var(--pl-line);
      font-size: 0.875rem;
    }
  `,
})
export class JumpBox {
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject(MatDialogRef<JumpBox>);
  private readonly guide = inject(GuidePages);
  private readonly reading = inject(Reading);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly sets = inject(CategorySetsStore);
  private readonly selections = inject(SelectionsStore);

  protected readonly text = signal('');
  /** Position of the one that Enter goes to. */
  protected readonly at = signal(0);
  private readonly listings = signal<readonly FoundListing[]>([]);
  protected readonly more = signal(0);
  private readonly all = computed(() =>
    allPlaces(
      this.kinds.kinds() ?? [],
      this.sets.sets() ?? [],
      this.selections.selections() ?? [],
      this.guide.pages(),
      (label) => this.reading.inSentence(label),
    ),
  );
  protected readonly places = computed((): readonly Place[] => {
    const kinds = new Map((this.kinds.kinds() ?? []).map(({ kind }) => [kind.id, kind]));
    const listings = this.listings().map((listing): Place => {
      const kind = kinds.get(listing.kindId);
      const status = listing.status === 'live' ? '' : `, ${STATUS_LABELS[listing.status].toLowerCase()}`;
      const about = `${kind?.one ?? 'Listing'}${status}`;
      return {
        icon: kind?.icon || 'description',
        label: listing.title,
        about,
        link: ['/fill', listing.kindId, listing.id],
      };
    });
    const places = matchingPlaces(this.all(), this.text());
    return [...places.slice(0, 4), ...listings, ...places.slice(4)];
  });

  constructor() {
    void this.guide.load().catch((error: unknown) => this.notices.refused(error));
    void this.kinds.reload();
    void this.sets.reload();
    void this.selections.reload();
    const question = new PausedQuestion((text: string) => (text === '' ? of(NONE) : this.api.find(text)), {
      next: ({ total, listings }) => {
        this.listings.set(listings);
        this.more.set(total - listings.length);
      },
      error: (error) => this.notices.refused(error),
    });
    effect(() => {
      this.at.set(0);
      question.ask(this.text().trim());
    });
  }

  protected key(event: KeyboardEvent): void {
    const last = this.places().length - 1;
    if (event.key === 'ArrowDown') this.at.update((at) => Math.min(last, at + 1));
    else if (event.key === 'ArrowUp') this.at.update((at) => Math.max(0, at - 1));
    else if (event.key === 'Enter') this.goToChosen();
    else return;
    event.preventDefault();
    setTimeout(() => document.getElementById(`jump-${this.at()}`)?.scrollIntoView({ block: 'nearest' }));
  }

  private goToChosen(): void {
    const place = this.places()[this.at()];
    if (place) this.go(place);
  }

  protected go({ link, query, guide }: Place): void {
    this.dialog.close();
    if (guide !== undefined) return this.guide.shown.set(guide);
    void this.router.navigate([...link], { queryParams: query ?? {} });
  }
}
