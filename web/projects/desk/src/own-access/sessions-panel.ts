import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { OwnAccessApi, SessionApi } from '@plindo/api';
import type { SessionSummary } from '@plindo/core/contract';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';

/** Where somebody is signed in, and ending that. */
@Component({
  selector: 'pl-sessions-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>Where you are signed in</h2>
      <div class="wide-table">
        <table class="data-table">
          <thead>
            <tr>
              <th>Browser</th>
              <th>From</th>
              <th>Since</th>
              <th>Used last</th>
              <th><span class="hidden-text">What can be done</span></th>
            </tr>
          </thead>
          <tbody>
            @for (one of sessions(); track one.id) {
              <tr>
                <td [title]="one.browser">{{ browserOf(one) }}</td>
                <td>{{ one.address }}</td>
                <td>{{ momentOf(one.createdAt) }}</td>
                <td>{{ momentOf(one.usedAt) }}</td>
                <td>
                  @if (one.isThis) {
                    <span class="quiet">here</span>
                  } @else {
                    <button matButton (click)="end(one)">Sign out there</button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <div class="button-row">
        <button matButton="outlined" type="button" (click)="signOutEverywhere()">Sign out everywhere</button>
        <span class="quiet">Here too, and your access tokens stop working.</span>
      </div>
    </section>
  `,
  styleUrl: './own-access.scss',
})
export class SessionsPanel {
  readonly sessions = input.required<readonly SessionSummary[]>();
  readonly changed = output();

  private readonly api = inject(OwnAccessApi);
  private readonly session = inject(SessionApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  private readonly reading = inject(Reading);

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  /** The programs and the system that a browser names, without what all of them say. */
  protected browserOf({ browser }: SessionSummary): string {
    const system = /\(([^;)]+)/.exec(browser)?.[1] ?? '';
    const named = [...browser.matchAll(/(\w+)\/[\d.]+/g)].map(([, name = '']) => name);
    const program = named.filter((name) => !/^(Mozilla|AppleWebKit|Safari|Version|Gecko)$/.test(name)).at(-1);
    return [program ?? named.at(-1) ?? browser, system].filter((part) => part !== '').join(', ');
  }

  protected end({ id }: SessionSummary): void {
    this.api.endSession(id).subscribe({
      next: () => this.changed.emit(),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected signOutEverywhere(): void {
    this.session.signOutEverywhere().subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
