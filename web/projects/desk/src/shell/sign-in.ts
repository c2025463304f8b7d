import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { SessionApi, SessionStore, sentenceOf } from '@plindo/api';

@Component({
  selector: 'pl-sign-in',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="signIn($event)">
      <h1>{{ store.session()?.site?.name }}</h1>
      @if (store.session()?.needsOwner) {
        <p>Nobody owns this directory yet. Open the link that was printed when Plindo was started.</p>
      }
      <mat-form-field>
        <mat-label>E-mail</mat-label>
        <input #email matInput type="email" name="email" autocomplete="username" required />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Password</mat-label>
        <input #password matInput type="password" name="password" autocomplete="current-password" required />
      </mat-form-field>
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      <button matButton="filled" class="next-step" type="submit">Sign in</button>
    </form>
  `,
  styleUrl: './door.scss',
})
export class SignIn {
  /** Where to go after signing in; from the address. */
  readonly next = input<string>();

  protected readonly store = inject(SessionStore);
  protected readonly refused = signal('');
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);

  protected signIn(event: Event): void {
    event.preventDefault();
    const form = new FormData(event.target as HTMLFormElement);
    this.api.signIn(String(form.get('email')), String(form.get('password'))).subscribe({
      next: () => void this.router.navigateByUrl(this.next()?.startsWith('/') ? this.next()! : '/shape'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
