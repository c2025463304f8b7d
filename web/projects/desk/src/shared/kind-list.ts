import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { SessionStore } from '@plindo/api';
import type { IconName } from '@plindo/listing-view';
import { Icon } from '@plindo/listing-view';
import { CategorySetsStore } from './category-sets-store';
import { KindsStore } from './kinds-store';
import { StageList } from './stage-list';
import { SubmissionCount } from './submission-count';

/** A page of a stage that belongs to no kind. */
interface StageLink {
  readonly to: string;
  readonly icon: IconName;
  readonly label: string;
}

/** Of the stage Run, above the kinds. */
const RUN: readonly StageLink[] = [
  { to: '/run', icon: 'history', label: 'Log and settings' },
  { to: '/run/review', icon: 'inbox', label: 'Review' },
  { to: '/run/calendar', icon: 'event', label: 'Calendar' },
  { to: '/run/notices', icon: 'notes', label: 'Notices' },
  { to: '/run/outbox', icon: 'mail', label: 'Outbox' },
  { to: '/run/people', icon: 'group', label: 'People' },
  { to: '/run/backups', icon: 'backup', label: 'Backups' },
];
/** Of Run for owners alone. */
const OF_OWNERS = new Set(['/run/people', '/run/backups']);

/** Below the kinds. */
const BELOW: Readonly<Record<string, { readonly heading: string; readonly links: readonly StageLink[] }>> = {
  fill: {
    heading: 'All kinds',
    links: [
      { to: '/fill/problems', icon: 'warning', label: 'Problems' },
      { to: '/fill/pictures', icon: 'photo_library', label: 'Pictures' },
    ],
  },
  arrange: {
    heading: 'Across kinds',
    links: [
      { to: '/arrange/pages', icon: 'view_agenda', label: 'Pages' },
      { to: '/arrange/forms', icon: 'assignment', label: 'Forms' },
      { to: '/arrange/frame', icon: 'menu', label: 'Header and footer' },
      { to: '/arrange/selections', icon: 'checklist', label: 'Selections' },
      { to: '/arrange/looks', icon: 'palette', label: 'Looks' },
      { to: '/arrange/drafts', icon: 'draft', label: 'Drafts' },
      { to: '/arrange/troubles', icon: 'warning', label: 'Troubles' },
      { to: '/arrange/use', icon: 'account_tree', label: 'Use of designs' },
      { to: '/arrange/addresses', icon: 'link', label: 'Addresses' },
      { to: '/arrange/words', icon: 'format_quote', label: 'Words' },
    ],
  },
};

/** The slim list of kinds on the left of a stage. */
@Component({
  selector: 'pl-kind-list',
  imports: [Icon, RouterLink, RouterLinkActive, StageList],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav plStageList aria-label="Kinds">
      @if (stage() === 'run') {
        @for (link of runLinks(); track link.to) {
          <a [routerLink]="link.to" routerLinkActive="here" [routerLinkActiveOptions]="{ exact: link.to === '/run' }">
            <span class="name"><pl-icon [name]="link.icon" />{{ link.label }}</span>
            @if (link.to === '/run/review' && submissions.counts().waiting) {
              <span class="count">{{ submissions.counts().waiting }}</span>
            }
          </a>
        }
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
      @if (belowOf(); as below) {
        <h2>{{ below.heading }}</h2>
        @for (link of below.links; track link.to) {
          <a [routerLink]="link.to" routerLinkActive="here">
            <span class="name"><pl-icon [name]="link.icon" />{{ link.label }}</span>
          </a>
        }
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
    .aside {
      opacity: 0.6;
    }
    .count {
      color: var(--pl-quiet);
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class KindList {
  readonly stage = input.required<string>();
  protected readonly base = computed(() => (this.stage() === 'run' ? '/run/expiry' : `/${this.stage()}`));
  private readonly session = inject(SessionStore);
  protected readonly belowOf = computed(() => BELOW[this.stage()]);
  protected readonly runLinks = computed(() => {
    const isOwner = this.session.isOwner();
    return RUN.filter(({ to }) => isOwner || !OF_OWNERS.has(to));
  });
  protected readonly submissions = inject(SubmissionCount);
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
