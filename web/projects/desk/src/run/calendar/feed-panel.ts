import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RunApi } from '@plindo/api';
import { Notices } from '../../shared/notices';

/** The address at which other calendar programs read the calendar. */
@Component({
  selector: 'pl-feed-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>In your own calendar</h2>
      <p class="quiet">
        Calendar programs can follow the next 90 days (iCalendar). Whoever knows the address can read it, so treat it
        like a password; a new address makes the one before useless.
      </p>
      @if (address()) {
        <p class="secret" role="status">
          Copy it now; it is not shown again: <code>{{ address() }}</code>
          <button matButton type="button" (click)="copy()">Copy</button>
        </p>
      }
      <div class="button-row">
        <button matButton="outlined" type="button" (click)="renew()">Make a new address</button>
        <button matButton type="button" (click)="close()">Close the feed</button>
      </div>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 0.75rem;
    }
    p {
      margin: 0;
    }
    .secret {
      padding: 0.75rem;
      border-radius: var(--pl-corner);
      background: var(--pl-warm-wash);
      overflow-wrap: anywhere;
    }
  `,
})
export class FeedPanel {
  private readonly api = inject(RunApi);
  private readonly notices = inject(Notices);
  protected readonly address = signal('');

  protected renew(): void {
    this.api.renewFeed().subscribe({
      next: ({ path }) => this.address.set(`${location.origin}${path}`),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected close(): void {
    this.api.closeFeed().subscribe({
      next: () => {
        this.address.set('');
        this.notices.said('The feed is closed; its address leads nowhere now.');
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected copy(): void {
    void navigator.clipboard.writeText(this.address());
  }
}
