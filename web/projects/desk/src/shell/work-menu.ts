import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { Icon } from '@plindo/listing-view';
import type { LongPiece } from '../shared/long-work/long-work';
import { LongWork } from '../shared/long-work/long-work';
import { aboutHowLong, paceOf } from '../shared/long-work/pace';
import { Reading } from '../shared/reading';

const TOLD_EVERY_IN_MS = 1000;

/** The one place in the bar for work that takes a while; it isn't there while there is none. */
@Component({
  selector: 'pl-work-menu',
  imports: [Icon, MatButtonModule, MatMenuModule, MatProgressBarModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (work.pieces().length) {
      <button class="bar-button" type="button" [matMenuTriggerFor]="pieces">
        <pl-icon [name]="work.running().length ? 'hourglass_top' : 'task_alt'" />
        @if (work.running().length) {
          {{ label() }}
        } @else {
          <span class="hidden-text">Work that is done</span>
        }
      </button>
    }
    <mat-menu #pieces="matMenu" class="work-pieces">
      <div class="pieces" tabindex="-1" (click)="$event.stopPropagation()" (keydown.tab)="$event.stopPropagation()">
        @for (piece of work.pieces(); track piece.id) {
          <section [attr.aria-label]="piece.title">
            <strong>{{ piece.title }}</strong>
            @if (piece.state === 'running') {
              <mat-progress-bar
                [mode]="piece.total === null ? 'indeterminate' : 'determinate'"
                [value]="share(piece)"
                [attr.aria-label]="piece.title"
              />
              <p>{{ progress(piece) }}</p>
              @if (piece.canCancel) {
                <button matButton type="button" (click)="work.cancel(piece.id)">Cancel it</button>
              }
            } @else {
              <p [class.failed]="piece.state === 'failed'">{{ piece.sentence }}</p>
            }
            @if (piece.link) {
              <a matButton [routerLink]="piece.link">{{ piece.state === 'running' ? 'Back to it' : 'Look at it' }}</a>
            }
          </section>
        }
        @if (work.running().length < work.pieces().length) {
          <button matButton type="button" (click)="work.forgetEnded()">Clear what is done</button>
        }
      </div>
    </mat-menu>
  `,
  styles: `
    .pieces {
      display: grid;
      gap: 1rem;
      inline-size: min(22rem, 80vw);
      padding: 0.75rem 1rem;
    }
    section {
      display: grid;
      gap: 0.375rem;
      justify-items: start;
    }
    p {
      margin: 0;
      font-variant-numeric: tabular-nums;
    }
    .failed {
      color: var(--pl-signal);
    }
  `,
})
export class WorkMenu {
  protected readonly work = inject(LongWork);
  private readonly reading = inject(Reading);
  private readonly now = signal(0);

  protected readonly label = computed(() => {
    const running = this.work.running();
    if (running.length > 1) return `${running.length} at work`;
    const [only] = running;
    return !only || only.total === null ? 'At work' : `${Math.floor(this.share(only))} %`;
  });

  constructor() {
    effect((done) => {
      if (this.work.running().length === 0) return;
      const ticking = setInterval(() => this.now.set(performance.now()), TOLD_EVERY_IN_MS);
      done(() => clearInterval(ticking));
    });
  }

  protected share({ done, total }: LongPiece): number {
    return total === null ? 0 : Math.min(100, (100 * done) / Math.max(1, total));
  }

  /** "12,000 of 100,000 rows, 2,300 a second, about 40 seconds left". */
  protected progress(piece: LongPiece): string {
    const { formats } = this.reading.context();
    const { done, total, unit } = piece;
    const pace = paceOf(piece, this.now());
    const seconds = Math.round((this.now() - piece.startedAt) / 1000);
    if (total === null) return seconds > 1 ? `For ${seconds} seconds` : 'It has begun';
    const parts = [`${formats.number(done)} of ${formats.number(total)} ${unit}`];
    if (pace) parts.push(`${formats.number(Math.round(pace.rate))} a second`);
    if (pace?.leftInMs) parts.push(`${aboutHowLong(pace.leftInMs)} left`);
    return parts.join(', ');
  }
}
