import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { SessionApi, sentenceOf } from '@plindo/api';
import { partsOf } from '../shared/form-parts';
import { secretInAddress } from './secret-in-address';

/** Chooses another password, with a link that works once. */
@Component({
  selector: 'pl-new-password',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="save($event)">
      <h1>Choose another password</h1>
      <p class="quiet">You are signed out everywhere then, and sign in with the new one.</p>
      <mat-form-field>
        <mat-label>New password</mat-label>
        <input matInput type="password" name="password" autocomplete="new-password" required minlength="12" />
        <mat-hint>At least 12 characters</mat-hint>
      </mat-form-field>
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      <button matButton="filled" class="next-step" type="submit">Save the password</button>
      <a routerLink="/forgotten">Ask for a new link</a>
    </form>
  `,
  styleUrl: './door.scss',
})
export class NewPassword {
  protected readonly refused = signal('');
  private readonly secret = secretInAddress();
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);

  protected save(event: Event): void {
    event.preventDefault();
    const password = partsOf(event)('password');
    this.api.newPassword({ secret: this.secret, password }).subscribe({
      next: () => void this.router.navigate(['/sign-in'], { queryParams: { after: 'changed' } }),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
