import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { OwnAccessApi, sentenceOf } from '@plindo/api';
import type { TokenSummary } from '@plindo/core/contract';
import { CopyLine } from '../shared/copy-line';
import { partsOf } from '../shared/form-parts';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';

/** For how many days a token may be made; 0 for no end. */
const DAYS = [
  { days: 7, label: 'a week' },
  { days: 90, label: '90 days' },
  { days: 365, label: 'a year' },
  { days: 0, label: 'until it is withdrawn' },
];

/** Access tokens, with which scripts come in the place of people. */
@Component({
  selector: 'pl-tokens-panel',
  imports: [CopyLine, MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>Access tokens</h2>
      <p class="quiet">
        A script signs in with an access token: <code>Authorization: Bearer …</code>. What it can call is in
        <a href="/api/docs" target="_blank" rel="noopener">the reference of the API</a>.
      </p>
      @if (secret()) {
        <div class="told" role="status">
          <p>Copy it now; it is not shown again.</p>
          <pl-copy-line [value]="secret()" label="Access token" />
        </div>
      }
      @if (tokens().length) {
        <div class="wide-table">
          <table class="data-table">
            <thead>
              <tr>
                <th>What for</th>
                <th>May</th>
                <th>Until</th>
                <th>Used last</th>
                <th><span class="hidden-text">What can be done</span></th>
              </tr>
            </thead>
            <tbody>
              @for (token of tokens(); track token.id) {
                <tr>
                  <td>{{ token.name }}</td>
                  <td>{{ token.readOnly ? 'only read' : 'do what you may' }}</td>
                  <td>{{ token.expiresAt ? momentOf(token.expiresAt) : 'it is withdrawn' }}</td>
                  <td>{{ token.lastUsedAt ? momentOf(token.lastUsedAt) : 'not yet' }}</td>
                  <td>
                    <button matButton [attr.aria-label]="'Withdraw ' + token.name" (click)="remove(token)">
                      Withdraw
                    </button>
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
      <form class="button-row" (submit)="add($event)">
        <mat-form-field>
          <mat-label>What the token is for</mat-label>
          <input matInput name="name" required maxlength="120" />
        </mat-form-field>
        <label>
          It may
          <select class="plain-select" name="may">
            <option value="read">only read</option>
            <option value="all">do what you may</option>
          </select>
        </label>
        <label>
          for
          <select class="plain-select" name="days">
            @for (one of days; track one.days) {
              <option [value]="one.days" [selected]="one.days === 90">{{ one.label }}</option>
            }
          </select>
        </label>
        <button matButton="outlined" type="submit">Make an access token</button>
      </form>
      @if (refused()) {
        <p class="issues" role="alert">{{ refused() }}</p>
      }
    </section>
  `,
  styleUrl: './own-access.scss',
})
export class TokensPanel {
  protected readonly days = DAYS;
  protected readonly tokens = signal<readonly TokenSummary[]>([]);
  protected readonly secret = signal('');
  protected readonly refused = signal('');
  private readonly api = inject(OwnAccessApi);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);

  constructor() {
    this.load();
  }

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  protected add(event: Event): void {
    event.preventDefault();
    const form = event.target as HTMLFormElement;
    const part = partsOf(event);
    const name = part('name').trim();
    if (name === '') return;
    const days = Number(part('days'));
    this.api.addToken({ name, readOnly: part('may') === 'read', days: days === 0 ? null : days }).subscribe({
      next: ({ secret }) => {
        this.secret.set(secret);
        this.refused.set('');
        form.reset();
        this.load();
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected remove({ id }: TokenSummary): void {
    this.api.removeToken(id).subscribe({
      next: () => this.load(),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private load(): void {
    this.api.tokens().subscribe({
      next: (tokens) => this.tokens.set(tokens),
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
