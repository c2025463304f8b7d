import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { SessionApi, SessionStore, codeOf, sentenceOf } from '@plindo/api';
import { partsOf } from '../shared/form-parts';
import { homeOf } from './home-of';

/** Signing in, with the second step for whoever has one. */
@Component({
  selector: 'pl-sign-in',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="signIn($event)">
      <h1>{{ store.session()?.site?.name }}</h1>
      @if (store.session()?.needsOwner) {
        <p>Nobody owns this directory yet. Open the link that was printed when Plindo was started.</p>
      }
      @if (said()) {
        <p role="status">{{ said() }}</p>
      }
      <mat-form-field>
        <mat-label>E-mail</mat-label>
        <input matInput type="email" name="email" autocomplete="username" required maxlength="254" />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Password</mat-label>
        <input matInput type="password" name="password" autocomplete="current-password" required maxlength="300" />
      </mat-form-field>
      @if (asksCode()) {
        <mat-form-field>
          <mat-label>Code</mat-label>
          <input matInput name="code" autocomplete="one-time-code" required maxlength="20" />
          <mat-hint>Six digits from your telephone, or one of your spare codes</mat-hint>
        </mat-form-field>
      }
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      <button matButton="filled" class="next-step" type="submit">Sign in</button>
      <a routerLink="/forgotten">I have forgotten my password</a>
    </form>
  `,
  styleUrl: './door.scss',
})
export class SignIn {
  /** Where to go after signing in; from the address. */
  readonly next = input<string>();
  /** What has just been done: "changed" for a password. */
  readonly after = input<string>();

  protected readonly store = inject(SessionStore);
  protected readonly refused = signal('');
  protected readonly asksCode = signal(false);
  protected readonly said = (): string =>
    this.after() === 'changed' ? 'Your password was changed. Sign in with the new one.' : '';
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);

  protected signIn(event: Event): void {
    event.preventDefault();
    const part = partsOf(event);
    this.api.signIn(part('email'), part('password'), part('code').trim()).subscribe({
      next: ({ user }) => {
        const next = this.next();
        void this.router.navigateByUrl(next?.startsWith('/') ? next : homeOf(user));
      },
      error: (error: unknown) => {
        const isFirst = codeOf(error) === 'auth.second-step' && !this.asksCode();
        this.asksCode.update((asks) => asks || isFirst);
        this.refused.set(isFirst ? '' : sentenceOf(error));
        if (isFirst) setTimeout(() => document.querySelector<HTMLElement>('[name=code]')?.focus());
      },
    });
  }
}
