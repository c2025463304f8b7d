import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { OwnAccessApi, SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import type { OwnAccess } from '@plindo/core/contract';
import { partsOf } from '../shared/form-parts';
import { Notices } from '../shared/notices';
import { ROLE_WORDS } from '../shared/role-words';
import { LeavePanel } from './leave-panel';
import { OwnSubmissionsPanel } from './own-submissions-panel';
import { SecondStepPanel } from './second-step-panel';
import { SessionsPanel } from './sessions-panel';
import { TokensPanel } from './tokens-panel';

/** One's own access: name, address, password, second step, where one is signed in, tokens. */
@Component({
  selector: 'pl-own-access-page',
  imports: [
    LeavePanel,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    OwnSubmissionsPanel,
    SecondStepPanel,
    SessionsPanel,
    TokensPanel,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-page">
      <h1>Your access</h1>
      @if (failure()) {
        <p class="issues" role="alert">{{ failure() }}</p>
      }
      @if (own(); as own) {
        @if (isStepFirst) {
          @if (store.session()?.needsStep) {
            <p class="told" role="alert">
              <span
                ><strong>Owners need a second step here.</strong> Turn it on, and everything else is open to you.</span
              >
            </p>
          }
          <pl-second-step-panel [own]="own" (changed)="reload()" />
        }
        <p class="quiet">You are {{ roles[own.user.role].label }} here: {{ roles[own.user.role].may }}</p>
        <pl-own-submissions-panel [isShownEmpty]="own.user.role === 'contributor'" />
        <form class="panel" (submit)="saveDetails($event, own)">
          <h2>Name and address</h2>
          <div class="parts">
            <mat-form-field>
              <mat-label>Name</mat-label>
              <input matInput name="name" required maxlength="120" autocomplete="name" [value]="own.user.name" />
            </mat-form-field>
            <mat-form-field>
              <mat-label>E-mail</mat-label>
              <input
                matInput
                type="email"
                name="email"
                required
                maxlength="254"
                autocomplete="email"
                [value]="own.user.email"
                (input)="asksPassword.set($any($event.target).value.trim() !== own.user.email)"
              />
            </mat-form-field>
            @if (asksPassword()) {
              <mat-form-field>
                <mat-label>Your password</mat-label>
                <input matInput type="password" name="password" required autocomplete="current-password" />
                <mat-hint>Asked for, as you sign in with the address</mat-hint>
              </mat-form-field>
            }
          </div>
          @if (refusedDetails()) {
            <p class="issues" role="alert">{{ refusedDetails() }}</p>
          }
          <div class="button-row"><button matButton="outlined" type="submit">Save name and address</button></div>
        </form>
        <form class="panel" (submit)="savePassword($event)">
          <h2>Password</h2>
          <div class="parts">
            <!-- For programs that keep passwords: whose it is. -->
            <input hidden type="email" autocomplete="username" [value]="own.user.email" />
            <mat-form-field>
              <mat-label>Present password</mat-label>
              <input matInput type="password" name="password" required autocomplete="current-password" />
            </mat-form-field>
            <mat-form-field>
              <mat-label>New password</mat-label>
              <input matInput type="password" name="next" required minlength="12" autocomplete="new-password" />
              <mat-hint>At least 12 characters</mat-hint>
            </mat-form-field>
          </div>
          @if (refusedPassword()) {
            <p class="issues" role="alert">{{ refusedPassword() }}</p>
          }
          <div class="button-row">
            <button matButton="outlined" type="submit">Change the password</button>
            <span class="quiet">You are signed out in all other places then.</span>
          </div>
        </form>
        @if (!isStepFirst) {
          <pl-second-step-panel [own]="own" (changed)="reload()" />
        }
        <pl-sessions-panel [sessions]="own.sessions" (changed)="load()" />
        <pl-tokens-panel />
        <pl-leave-panel />
      }
    </div>
  `,
  styleUrl: './own-access.scss',
})
export class OwnAccessPage {
  private readonly api = inject(OwnAccessApi);
  private readonly session = inject(SessionApi);
  private readonly notices = inject(Notices);
  protected readonly store = inject(SessionStore);
  /** Stays so when the step is on, as the spare codes are shown then. */
  protected readonly isStepFirst = this.store.session()?.needsStep === true;

  protected readonly roles = ROLE_WORDS;
  protected readonly own = signal<OwnAccess | null>(null);
  protected readonly failure = signal('');
  protected readonly refusedDetails = signal('');
  protected readonly refusedPassword = signal('');
  /** Whether another address stands there, which takes the password. */
  protected readonly asksPassword = signal(false);

  constructor() {
    this.load();
  }

  protected load(): void {
    this.api.load().subscribe({
      next: (own) => this.own.set(own),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  protected reload(): void {
    this.session.load().subscribe();
    this.load();
  }

  protected saveDetails(event: Event, { user }: OwnAccess): void {
    event.preventDefault();
    const part = partsOf(event);
    const email = part('email').trim();
    this.api.setDetails({ name: part('name'), email, password: part('password') }).subscribe({
      next: () => {
        this.refusedDetails.set('');
        this.asksPassword.set(false);
        this.notices.said(email === user.email ? 'Your name was changed.' : `From now on you sign in with ${email}.`);
        this.session.load().subscribe();
        this.load();
      },
      error: (error: unknown) => this.refusedDetails.set(sentenceOf(error)),
    });
  }

  protected savePassword(event: Event): void {
    event.preventDefault();
    const part = partsOf(event);
    this.api.setPassword({ password: part('password'), next: part('next') }).subscribe({
      next: () => {
        this.refusedPassword.set('');
        (event.target as HTMLFormElement).reset();
        this.notices.said('Your password was changed. You are signed out in all other places.');
        this.load();
      },
      error: (error: unknown) => this.refusedPassword.set(sentenceOf(error)),
    });
  }
}
