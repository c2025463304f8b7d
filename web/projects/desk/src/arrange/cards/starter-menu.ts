import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import type { CardStarter } from '@plindo/core/design';
import { cardStartersFor } from '@plindo/core/design';
import { castOf, missingRoles } from '@plindo/core/structure';
import type { CardWork } from './card-work';

/** Cards to begin with, those first that fit the kind; each says what it is for, and what the kind lacks for it. */
@Component({
  selector: 'pl-starter-menu',
  imports: [MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton [matMenuTriggerFor]="menu">Begin with …</button>
    <mat-menu #menu class="starters">
      @for (one of starters(); track one.starter.name) {
        <button mat-menu-item [disabled]="one.missing !== ''" (click)="work().begin(one.starter)">
          <span class="label">{{ one.starter.label }}</span>
          <span class="about">{{ one.missing === '' ? one.starter.purpose : 'Needs ' + one.missing }}</span>
        </button>
      }
    </mat-menu>
  `,
  styles: `
    .label,
    .about {
      display: block;
    }
    .label {
      padding-block-start: 0.5rem;
    }
    .about {
      padding-block-end: 0.5rem;
      color: var(--pl-quiet);
      font-size: 0.875rem;
      line-height: 1.3;
      white-space: normal;
    }
  `,
})
export class StarterMenu {
  readonly work = input.required<CardWork>();

  protected readonly starters = computed(() => {
    const { kind } = this.work();
    return cardStartersFor(kind).map((starter: CardStarter) => {
      const missing = missingRoles(starter.roles, castOf(starter.roles, kind));
      return { starter, missing: missing.map(({ label }) => label).join(' and ') };
    });
  });
}
