import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { PeopleApi, sentenceOf } from '@plindo/api';
import type { DoorEvent, DoorEventName } from '@plindo/core/contract';
import { Reading } from '../../shared/reading';

const SHOWN_FIRST = 12;

/** What happened, as it is said after who did it. */
const SAID: Readonly<Record<DoorEventName, string>> = {
  'signed-in': 'signed in',
  refused: 'was refused: wrong password or code',
  locked: 'was refused: too many wrong passwords',
  'signed-out-everywhere': 'signed out everywhere',
  forbidden: 'was refused: their role does not allow it',
  'owner-made': 'became the first owner',
  invited: 'invited',
  'invitation-withdrawn': 'withdrew an invitation',
  'invitation-taken': 'took an invitation',
  'role-changed': 'gave another role to',
  'switched-off': 'switched off',
  'switched-on': 'switched on',
  left: 'left',
  'own-details': 'changed their name or address',
  'password-changed': 'changed their password',
  'password-link': 'was made a link for another password',
  'step-on': 'turned on a second step',
  'step-off': 'took off their second step',
  'step-spare': 'used a spare code',
  'token-made': 'made an access token',
  'token-withdrawn': 'withdrew an access token',
  erased: 'erased the name and address of somebody who had left',
};

/** Who came in, who was refused, and whose access was changed. */
@Component({
  selector: 'pl-door-log',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>At the door</h2>
      <p class="quiet">Who came in, who was refused, and whose access was changed. Kept for 180 days.</p>
      @if (failure()) {
        <p class="issues" role="alert">{{ failure() }}</p>
      }
      <div class="wide-table">
        <table class="data-table stacks">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>What</th>
              <th>From</th>
            </tr>
          </thead>
          <tbody>
            @for (event of shown(); track $index) {
              <tr>
                <td class="when">{{ momentOf(event) }}</td>
                <td>{{ event.who }}</td>
                <td>
                  {{ said[event.what] }}
                  @if (event.about) {
                    <span class="quiet">{{ event.about }}</span>
                  }
                </td>
                <td class="when">{{ event.address }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (all().length > shown().length) {
        <button matButton (click)="showsAll.set(true)">Show the last {{ all().length }}</button>
      }
    </section>
  `,
  styles: `
    .when {
      white-space: nowrap;
    }
  `,
})
export class DoorLog {
  /** Goes up when there is something new. */
  readonly acts = input.required<number>();

  protected readonly said = SAID;
  protected readonly all = signal<readonly DoorEvent[]>([]);
  protected readonly failure = signal('');
  protected readonly showsAll = signal(false);
  protected readonly shown = computed(() => (this.showsAll() ? this.all() : this.all().slice(0, SHOWN_FIRST)));
  private readonly api = inject(PeopleApi);
  private readonly reading = inject(Reading);
  private readonly loading = effect(() => {
    this.acts();
    this.api.door().subscribe({
      next: (events) => this.all.set(events),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  });

  protected momentOf({ at }: DoorEvent): string {
    return this.reading.moment(at);
  }
}
