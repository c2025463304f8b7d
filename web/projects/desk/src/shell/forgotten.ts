import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { SessionApi, sentenceOf } from '@plindo/api';
import { partsOf } from '../shared/form-parts';

/** Asks for a mail with a link for another password. */
@Component({
  selector: 'pl-forgotten',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="ask($event)">
      <h1>Another password</h1>
      @if (sentTo(); as email) {
        <p role="status">
          If somebody with the address {{ email }} works here, a mail with a link is on its way to them. The link works
          once, for 24 hours.
        </p>
        <p class="quiet">No mail? An owner of this directory can make a link for you under Run, People.</p>
      } @else {
        <p class="quiet">Type the address that you sign in with. You get a mail with a link.</p>
        <mat-form-field>
          <mat-label>E-mail</mat-label>
          <input matInput type="email" name="email" autocomplete="username" required maxlength="254" />
        </mat-form-field>
        @if (refused()) {
          <p class="issues" role="alert">{{ refused() }}</p>
        }
        <button matButton="filled" class="next-step" type="submit">Send me a link</button>
      }
      <a routerLink="/sign-in">Back to signing in</a>
    </form>
  `,
  styleUrl: './door.scss',
})
export class Forgotten {
  protected readonly sentTo = signal('');
  protected readonly refused = signal('');
  private readonly api = inject(SessionApi);

  protected ask(event: Event): void {
    event.preventDefault();
    const email = partsOf(event)('email').trim();
    if (email === '') return;
    this.api.forgotten(email).subscribe({
      next: () => this.sentTo.set(email),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
