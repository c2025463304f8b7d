import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { StartersApi } from '@plindo/api';
import type { ExamplesSummary } from '@plindo/core/contract';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

/** Tells of the examples that a starter has brought, as long as there are some that nobody has changed. */
@Component({
  selector: 'pl-examples-note',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (examples(); as found) {
      @if (found.untouched > 0) {
        <section class="panel" aria-label="Examples">
          <p>
            {{
              found.untouched === 1
                ? 'One listing is an example that came with the starter.'
                : found.untouched + ' listings are examples that came with the starter.'
            }}
            Visitors see them until you throw them away.
            @if (found.changed > 0) {
              {{
                found.changed === 1
                  ? 'One that you have changed stays.'
                  : found.changed + ' that you have changed stay.'
              }}
            }
          </p>
          <button matButton="outlined" [disabled]="isThrowing()" (click)="throwAway()">Throw the examples away</button>
        </section>
      }
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 0.5rem 1rem;
    }
    p {
      margin: 0;
    }
  `,
})
export class ExamplesNote {
  private readonly api = inject(StartersApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);

  protected readonly examples = signal<ExamplesSummary | null>(null);
  protected readonly isThrowing = signal(false);

  constructor() {
    // With every change of what there is.
    effect(() => {
      if (this.kinds.kinds()) this.read();
    });
  }

  protected throwAway(): void {
    this.isThrowing.set(true);
    this.api.throwExamplesAway().subscribe({
      next: ({ changeId }) => {
        const reload = (): void => void this.kinds.reload();
        reload();
        this.notices.changed('Threw the examples away', changeId, reload);
        this.isThrowing.set(false);
      },
      error: (error: unknown) => {
        this.isThrowing.set(false);
        this.notices.refused(error);
      },
    });
  }

  private read(): void {
    this.api.examples().subscribe({ next: (found) => this.examples.set(found), error: () => this.examples.set(null) });
  }
}
