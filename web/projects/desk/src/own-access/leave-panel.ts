import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { OwnAccessApi, SessionApi, sentenceOf } from '@plindo/api';
import { partsOf } from '../shared/form-parts';
import { saveAsFile } from '../shared/save-as-file';

/** Leaving the directory. */
@Component({
  selector: 'pl-leave-panel',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>What is kept of you, and leaving</h2>
      <div class="button-row">
        <button matButton="outlined" type="button" (click)="saveData()">Save what is kept of you as a file</button>
        <span class="quiet">Your details, where you signed in, and what you changed.</span>
      </div>
      @if (isOpen()) {
        <p>
          You can’t sign in any more then; an owner can switch you on again, or erase your name and address. Until then
          what you have done stays under your name.
        </p>
        <form class="button-row" (submit)="leave($event)">
          <mat-form-field class="narrow">
            <mat-label>Your password</mat-label>
            <input matInput type="password" name="password" required autocomplete="current-password" />
          </mat-form-field>
          <button matButton="outlined" type="submit">Leave this directory</button>
          <button matButton type="button" (click)="isOpen.set(false)">Stay</button>
        </form>
      } @else {
        <div class="button-row">
          <button matButton type="button" (click)="isOpen.set(true)">Leave this directory …</button>
        </div>
      }
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
    </section>
  `,
  styleUrl: './own-access.scss',
})
export class LeavePanel {
  protected readonly isOpen = signal(false);
  protected readonly refused = signal('');
  private readonly api = inject(SessionApi);
  private readonly own = inject(OwnAccessApi);
  private readonly router = inject(Router);

  protected saveData(): void {
    this.own.data().subscribe({
      next: (data) => saveAsFile(JSON.stringify(data, null, 2), 'kept-of-me.json', 'application/json'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected leave(event: Event): void {
    event.preventDefault();
    const password = partsOf(event)('password');
    this.api.leave(password).subscribe({
      next: () => void this.router.navigateByUrl('/sign-in'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
