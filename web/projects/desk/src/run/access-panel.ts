import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { SessionApi } from '@plindo/api';
import type { TokenSummary } from '@plindo/core/contract';
import { Notices } from '../shared/notices';

/** Access tokens for scripts, and signing out everywhere. */
@Component({
  selector: 'pl-access-panel',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>Access</h2>
      <p class="quiet">
        A script signs in with an access token: <code>Authorization: Bearer …</code>. What it can call is in
        <a href="/api/openapi.json" target="_blank" rel="noopener">the API’s document</a>.
      </p>
      @if (secret()) {
        <p class="secret" role="status">
          Copy it now; it is not shown again: <code>{{ secret() }}</code>
          <button matButton (click)="copy()">Copy</button>
        </p>
      }
      @if (tokens().length) {
        <ul>
          @for (token of tokens(); track token.id) {
            <li>
              <span>{{ token.name }}</span>
              <span class="quiet">{{ token.lastUsedAt ? 'used' : 'not used yet' }}</span>
              <button matButton [attr.aria-label]="'Withdraw ' + token.name" (click)="remove(token)">Withdraw</button>
            </li>
          }
        </ul>
      }
      <form class="button-row" (submit)="add($event)">
        <mat-form-field>
          <mat-label>What the token is for</mat-label>
          <input matInput name="name" required maxlength="120" />
        </mat-form-field>
        <button matButton="outlined" type="submit">Make an access token</button>
      </form>
      <p><button matButton (click)="signOutEverywhere()">Sign out everywhere</button></p>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 0.75rem;
    }
    .secret {
      padding: 0.75rem;
      border-radius: var(--pl-corner);
      background: var(--pl-warm-wash);
      overflow-wrap: anywhere;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      gap: 1rem;
    }
  `,
})
export class AccessPanel {
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);

  protected readonly tokens = signal<readonly TokenSummary[]>([]);
  protected readonly secret = signal('');

  constructor() {
    this.load();
  }

  protected add(event: Event): void {
    event.preventDefault();
    const form = event.target as HTMLFormElement;
    const name = String(new FormData(form).get('name')).trim();
    if (name === '') return;
    this.api.addToken(name).subscribe({
      next: ({ secret }) => {
        this.secret.set(secret);
        form.reset();
        this.load();
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected copy(): void {
    void navigator.clipboard.writeText(this.secret());
  }

  protected remove({ id }: TokenSummary): void {
    this.api.removeToken(id).subscribe({
      next: () => this.load(),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected signOutEverywhere(): void {
    this.api.signOutEverywhere().subscribe(() => void this.router.navigateByUrl('/sign-in'));
  }

  private load(): void {
    this.api.tokens().subscribe((tokens) => this.tokens.set(tokens));
  }
}
