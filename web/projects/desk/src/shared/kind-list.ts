import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { KindsStore } from './kinds-store';

/** The slim list of kinds on the left of a stage. */
@Component({
  selector: 'pl-kind-list',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="Kinds">
      @for (entry of store.kinds(); track entry.kind.id) {
        <a [routerLink]="['/', stage(), entry.kind.id]" routerLinkActive="here" ariaCurrentWhenActive="page">
          <span>{{ entry.kind.many }}</span>
          <span class="count">{{ entry.counts.live }}</span>
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
      justify-content: space-between;
      gap: 0.5rem;
      padding: 0.5rem 0.75rem;
      border-radius: var(--pl-corner);
      color: var(--pl-ink);
      text-decoration: none;
    }
    a:hover {
      background: var(--pl-teal-wash);
    }
    .here {
      background: var(--pl-teal-wash);
      font-weight: 640;
    }
    .count {
      color: var(--pl-quiet);
      font-variant-numeric: tabular-nums;
    }
    @media (max-width: 52rem) {
      nav {
        grid-auto-flow: column;
        justify-content: start;
        overflow-x: auto;
        padding-block: 0.5rem;
      }
    }
  `,
})
export class KindList {
  readonly stage = input.required<string>();
  protected readonly store = inject(KindsStore);
}
