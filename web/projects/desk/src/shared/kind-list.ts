import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { Icon } from '@plindo/listing-view';
import { CategorySetsStore } from './category-sets-store';
import { KindsStore } from './kinds-store';

/** The slim list of kinds on the left of a stage. */
@Component({
  selector: 'pl-kind-list',
  imports: [Icon, RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="Kinds">
      @if (stage() === 'run') {
        <a routerLink="/run" routerLinkActive="here" [routerLinkActiveOptions]="{ exact: true }">
          <span class="name"><pl-icon name="history" />Log and settings</span>
        </a>
        <a routerLink="/run/calendar" routerLinkActive="here">
          <span class="name"><pl-icon name="event" />Calendar</span>
        </a>
        <a routerLink="/run/notices" routerLinkActive="here">
          <span class="name"><pl-icon name="notes" />Notices</span>
        </a>
        <a routerLink="/run/outbox" routerLinkActive="here">
          <span class="name"><pl-icon name="mail" />Outbox</span>
        </a>
        <h2>Leaving the site</h2>
      }
      @for (entry of shown(); track entry.kind.id) {
        <a [routerLink]="[base(), entry.kind.id]" routerLinkActive="here" ariaCurrentWhenActive="page">
          <span class="name" [class.aside]="entry.kind.putAside">
            @if (entry.kind.icon) {
              <pl-icon [name]="entry.kind.icon" />
            }
            {{ entry.kind.many }}
          </span>
          @if (stage() !== 'run') {
            <span class="count">{{ entry.counts.live }}</span>
          } @else if (entry.kind.expiry) {
            <span title="They leave by a rule"><pl-icon name="schedule" /></span>
          }
        </a>
      }
      @if (stage() === 'fill') {
        <h2>All kinds</h2>
        <a routerLink="/fill/problems" routerLinkActive="here">
          <span class="name"><pl-icon name="warning" />Problems</span>
        </a>
        <a routerLink="/fill/pictures" routerLinkActive="here">
          <span class="name"><pl-icon name="photo_library" />Pictures</span>
        </a>
      }
      @if (stage() === 'arrange') {
        <h2>Across kinds</h2>
        <a routerLink="/arrange/pages" routerLinkActive="here">
          <span class="name"><pl-icon name="view_agenda" />Pages</span>
        </a>
        <a routerLink="/arrange/frame" routerLinkActive="here">
          <span class="name"><pl-icon name="menu" />Header and footer</span>
        </a>
        <a routerLink="/arrange/selections" routerLinkActive="here">
          <span class="name"><pl-icon name="checklist" />Selections</span>
        </a>
        <a routerLink="/arrange/looks" routerLinkActive="here">
          <span class="name"><pl-icon name="palette" />Looks</span>
        </a>
        <a routerLink="/arrange/drafts" routerLinkActive="here">
          <span class="name"><pl-icon name="draft" />Drafts</span>
        </a>
        <a routerLink="/arrange/troubles" routerLinkActive="here">
          <span class="name"><pl-icon name="warning" />Troubles</span>
        </a>
        <a routerLink="/arrange/use" routerLinkActive="here">
          <span class="name"><pl-icon name="account_tree" />Use of designs</span>
        </a>
        <a routerLink="/arrange/addresses" routerLinkActive="here">
          <span class="name"><pl-icon name="link" />Addresses</span>
        </a>
        <a routerLink="/arrange/words" routerLinkActive="here">
          <span class="name"><pl-icon name="format_quote" />Words</span>
        </a>
      }
      @if (stage() === 'shape') {
        <a routerLink="/shape/new" routerLinkActive="here"
          ><span class="name"><pl-icon name="add" />New kind</span></a
        >
        <h2>Category sets</h2>
        @for (entry of sets(); track entry.set.id) {
          <a [routerLink]="['/shape/categories', entry.set.id]" routerLinkActive="here">
            <span class="name"><pl-icon name="account_tree" />{{ entry.set.label }}</span>
            <span class="count">{{ entry.set.categories.length }}</span>
          </a>
        }
        <a routerLink="/shape/categories/new" routerLinkActive="here">
          <span class="name"><pl-icon name="add" />New category set</span>
        </a>
        <h2>All of it</h2>
        <a routerLink="/shape/map" routerLinkActive="here">
          <span class="name"><pl-icon name="hub" />Map</span>
        </a>
        <a routerLink="/shape/blueprint" routerLinkActive="here">
          <span class="name"><pl-icon name="data_object" />Blueprint</span>
        </a>
      }
    </nav>
  `,
  styles: `
    nav {
      display: grid;
      gap: 0.125rem;
      padding: 1rem 0.5rem;
    }
    a {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 0.5rem;
      padding: 0.5rem 0.75rem;
      border-radius: var(--pl-corner);
      color: var(--pl-ink);
      text-decoration: none;
    }
    a:hover {
      background: var(--pl-wash);
    }
    .here {
      background: var(--pl-wash);
      font-weight: 640;
    }
    h2 {
      padding: 1rem 0.75rem 0.25rem;
      color: var(--pl-quiet);
      font-size: 0.875rem;
    }
    .name {
      display: inline-flex;
      gap: 0.375rem;
      align-items: center;
    }
    .aside {
      opacity: 0.6;
    }
    .count {
      color: var(--pl-quiet);
      font-variant-numeric: tabular-nums;
    }
    @media (max-width: 52rem) {
      nav {
        grid-auto-flow: column;
        align-items: center;
        justify-content: start;
        overflow-x: auto;
        padding-block: 0.5rem;
      }
    }
  `,
})
export class KindList {
  readonly stage = input.required<string>();
  protected readonly base = computed(() => (this.stage() === 'run' ? '/run/expiry' : `/${this.stage()}`));
  private readonly store = inject(KindsStore);
  private readonly setsStore = inject(CategorySetsStore);
  protected readonly sets = this.setsStore.sets;

  constructor() {
    if (this.setsStore.sets() === null) void this.setsStore.reload();
    if (this.store.kinds() === null) void this.store.reload();
  }

  /** Kinds that were put aside are only shown where they can be taken back up. */
  protected readonly shown = computed(() =>
    (this.store.kinds() ?? []).filter(({ kind }) => this.stage() === 'shape' || !kind.putAside),
  );
}
