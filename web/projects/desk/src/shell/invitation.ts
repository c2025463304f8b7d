import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { SessionApi, sentenceOf } from '@plindo/api';
import type { InvitedTo } from '@plindo/core/contract';
import { partsOf } from '../shared/form-parts';
import { ROLE_WORDS } from '../shared/role-words';
import { homeOf } from './home-of';
import { secretInAddress } from './secret-in-address';

/** Takes an invitation. */
@Component({
  selector: 'pl-invitation',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="accept($event)">
      @if (to(); as to) {
        <h1>{{ to.site }}</h1>
        <p>
          You are invited as <strong>{{ roles[to.role].label }}</strong>: {{ roles[to.role].may }} You will sign in with
          <strong>{{ to.email }}</strong>.
        </p>
        <!-- For programs that keep passwords: whose the new one is. -->
        <input hidden type="email" autocomplete="username" [value]="to.email" />
        <mat-form-field>
          <mat-label>Your name</mat-label>
          <input matInput name="name" autocomplete="name" required maxlength="120" [value]="to.name" />
        </mat-form-field>
        <mat-form-field>
          <mat-label>Choose a password</mat-label>
          <input matInput type="password" name="password" autocomplete="new-password" required minlength="12" />
          <mat-hint>At least 12 characters</mat-hint>
        </mat-form-field>
      } @else {
        <h1>Invitation</h1>
      }
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      @if (to()) {
        <button matButton="filled" class="next-step" type="submit">Begin</button>
      } @else {
        <a routerLink="/sign-in">Go to signing in</a>
      }
    </form>
  `,
  styleUrl: './door.scss',
})
export class Invitation {
  protected readonly roles = ROLE_WORDS;
  protected readonly to = signal<InvitedTo | null>(null);
  protected readonly refused = signal('');
  private readonly secret = secretInAddress();
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);

  constructor() {
    this.api.invitedTo(this.secret).subscribe({
      next: (to) => this.to.set(to),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected accept(event: Event): void {
    event.preventDefault();
    const part = partsOf(event);
    this.api.accept({ secret: this.secret, name: part('name'), password: part('password') }).subscribe({
      next: ({ user }) => void this.router.navigateByUrl(homeOf(user)),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
