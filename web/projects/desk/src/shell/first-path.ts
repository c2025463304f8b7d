import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { withSmallInitial } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { KindsStore } from '../shared/kinds-store';
import { firstSteps } from './first-steps';

/** What is done on the way to a live directory, what comes next, and why; it goes away by itself. */
@Component({
  selector: 'pl-first-path',
  imports: [Icon, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (steps().length) {
      <section aria-label="From nothing to a live directory">
        <ol>
          @for (step of steps(); track step.stage) {
            <li [class.done]="step.isDone" [class.next]="step === next()">
              <pl-icon [name]="step.isDone ? 'check_circle' : 'radio_button_unchecked'" />
              @if (step.isDone) {
                <span>{{ step.todo }}</span>
                <span class="hidden-text">(done)</span>
              } @else {
                <a [routerLink]="step.link">{{ step.todo }}</a>
                @if (step.canWait) {
                  <span class="quiet">if you need it</span>
                }
              }
            </li>
          }
        </ol>
        @if (next(); as step) {
          <p>
            <strong>Why {{ inSentence(step.todo) }} now?</strong> {{ step.why }}
          </p>
        }
      </section>
    }
  `,
  styles: `
    section {
      padding: 0.5rem clamp(1rem, 3vw, 2rem);
      border-block-end: 1px solid var(--pl-line);
      background: var(--pl-wash);
    }
    ol {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 1.5rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: inline-flex;
      gap: 0.375rem;
      align-items: center;
      min-block-size: 2rem;
    }
    .done {
      color: var(--pl-accent);
    }
    .next a {
      font-weight: 640;
    }
    p {
      margin: 0.125rem 0 0;
      max-inline-size: 68rem;
    }
  `,
})
export class FirstPath {
  protected readonly inSentence = withSmallInitial;
  private readonly kinds = inject(KindsStore);
  protected readonly steps = computed(() => firstSteps(this.kinds.kinds()));
  protected readonly next = computed(() => this.steps().find(({ isDone }) => !isDone));

  constructor() {
    if (!this.kinds.kinds()) void this.kinds.reload().catch(() => undefined);
  }
}
