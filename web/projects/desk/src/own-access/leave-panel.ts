import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { SessionApi, sentenceOf } from '@plindo/api';

/** Leaving the directory. */
@Component({
  selector: 'pl-leave-panel',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>Leave</h2>
      @if (isOpen()) {
        <p>
          You can’t sign in any more then; an owner can switch you on again. What you have done stays, under your name.
        </p>
        <form class="button-row" (submit)="leave($event)">
          <mat-form-field class="narrow">
            <mat-label>Your password</mat-label>
            <input matInput type="password" name="password" required autocomplete="current-password" />
          </mat-form-field>
          <button matButton="outlined" type="submit">Leave this directory</button>
          <button matButton type="button" (click)="isOpen.set(false)">Stay</button>
        </form>
        @if (refused()) {
          <p class="issues" role="alert">{{ refused() }}</p>
        }
      } @else {
        <div class="button-row">
          <button matButton type="button" (click)="isOpen.set(true)">Leave this directory …</button>
        </div>
      }
    </section>
  `,
  styleUrl: './own-access.scss',
})
export class LeavePanel {
  protected readonly isOpen = signal(false);
  protected readonly refused = signal('');
  private readonly api = inject(SessionApi);
  private readonly router = inject(Router);

  protected leave(event: Event): void {
    event.preventDefault();
    const password = String(new FormData(event.target as HTMLFormElement).get('password') ?? '');
    this.api.leave(password).subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
