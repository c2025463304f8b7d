import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { SessionApi, sentenceOf } from '@plindo/api';
import { partsOf } from '../shared/form-parts';
import { secretInAddress } from './secret-in-address';

/** Makes the owner, with the one-time link that is printed at the first start. */
@Component({
  selector: 'pl-setup',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="door" (submit)="make($event)">
      <h1>Make the owner</h1>
      <p class="quiet">The owner can do everything here. This link works once.</p>
      <mat-form-field>
        <mat-label>Your name</mat-label>
        <input matInput name="name" autocomplete="name" required maxlength="120" />
      </mat-form-field>
      <mat-form-field>
        <mat-label>E-mail</mat-label>
        <input matInput type="email" name="email" autocomplete="username" required />
      </mat-form-field>
      <mat-form-field>
        <mat-label>Password</mat-label>
        <input matInput type="password" name="password" autocomplete="new-password" required minlength="12" />
        <mat-hint>At least 12 characters</mat-hint>
      </mat-form-field>
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
      <button matButton="filled" class="next-step" type="submit">Make the owner</button>
    </form>
  `,
  styleUrl: './door.scss',
})
export class Setup {
  protected readonly refused = signal('');
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);
  private readonly secret = secretInAddress();

  protected make(event: Event): void {
    event.preventDefault();
    const part = partsOf(event);
    const given = { name: part('name'), email: part('email'), password: part('password') };
    this.api.makeOwner({ secret: this.secret, ...given }).subscribe({
      next: () => void this.router.navigateByUrl('/shape'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
