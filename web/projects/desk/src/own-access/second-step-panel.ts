import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { OwnAccessApi, sentenceOf } from '@plindo/api';
import type { OwnAccess, SecondStepStart } from '@plindo/core/contract';
import { CopyLine } from '../shared/copy-line';
import { partsOf } from '../shared/form-parts';
import { Notices } from '../shared/notices';
import { saveAsFile } from '../shared/save-as-file';

/** Turning the second step of signing in on and off. */
@Component({
  selector: 'pl-second-step-panel',
  imports: [CopyLine, MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel">
      <h2>Second step</h2>
      @if (codes().length) {
        <div class="told" role="status">
          <p>
            <strong>The second step is on.</strong> Keep these ten codes where your telephone isn’t. Each lets you in
            once, should you lose it. They are not shown again.
          </p>
          <ul class="codes">
            @for (code of codes(); track code) {
              <li>{{ code }}</li>
            }
          </ul>
          <div class="button-row">
            <button matButton="outlined" type="button" (click)="saveCodes()">Save as a file</button>
            <button matButton type="button" (click)="codes.set([])">I have kept them</button>
          </div>
        </div>
      } @else if (begun(); as begun) {
        <form class="begin" (submit)="turnOn($event, begun)">
          <img class="picture" [src]="picture()" alt="The same secret as a picture for your telephone" />
          <div class="panel-parts">
            <ol class="steps">
              <li>Scan the picture with a program for sign-in codes on your telephone, or type the secret there.</li>
              <li>Type the six digits that it shows.</li>
            </ol>
            <pl-copy-line [value]="begun.secret" label="Secret for your telephone" />
            <mat-form-field class="narrow">
              <mat-label>Six digits</mat-label>
              <input matInput name="code" required maxlength="7" inputmode="numeric" autocomplete="one-time-code" />
            </mat-form-field>
            @if (refused()) {
              <p class="issues" role="alert">{{ refused() }}</p>
            }
            <div class="button-row">
              <button matButton="filled" class="next-step" type="submit">Turn it on</button>
              <button matButton type="button" (click)="cancel()">Leave it off</button>
            </div>
          </div>
        </form>
      } @else {
        @if (own().hasSecondStep) {
          <p>
            On: you are asked for a code from your telephone each time you sign in. {{ own().spareCodes }} of your spare
            codes are left.
          </p>
        } @else {
          <p class="quiet">
            Off. With it a password alone lets nobody in: a code from your telephone is asked for too. Whoever may
            change everything here should have it.
          </p>
        }
        <form class="button-row" (submit)="begin($event)">
          <mat-form-field class="narrow">
            <mat-label>Your password</mat-label>
            <input matInput type="password" name="password" required autocomplete="current-password" />
          </mat-form-field>
          <button matButton="outlined" type="submit">
            {{ own().hasSecondStep ? 'Take the second step off' : 'Turn on a second step' }}
          </button>
        </form>
        @if (refused()) {
          <p class="issues" role="alert">{{ refused() }}</p>
        }
      }
    </section>
  `,
  styleUrl: './own-access.scss',
})
export class SecondStepPanel {
  readonly own = input.required<OwnAccess>();
  readonly changed = output();

  protected readonly begun = signal<SecondStepStart | null>(null);
  protected readonly codes = signal<readonly string[]>([]);
  protected readonly refused = signal('');
  protected readonly picture = computed(() => {
    return `data:image/svg+xml;charset=utf-8,${encodeURIComponent(this.begun()?.picture ?? '')}`;
  });
  private password = '';
  private readonly api = inject(OwnAccessApi);
  private readonly notices = inject(Notices);

  protected begin(event: Event): void {
    event.preventDefault();
    this.password = partsOf(event)('password');
    if (this.own().hasSecondStep) return this.turnOff();
    this.api.startSecondStep(this.password).subscribe({
      next: (begun) => {
        this.refused.set('');
        this.begun.set(begun);
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected turnOn(event: Event, { secret }: SecondStepStart): void {
    event.preventDefault();
    const code = partsOf(event)('code').replace(/\s/g, '');
    this.api.turnOn({ secret, code, password: this.password }).subscribe({
      next: (codes) => {
        this.codes.set(codes);
        this.cancel();
        this.changed.emit();
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected cancel(): void {
    this.refused.set('');
    this.begun.set(null);
    this.password = '';
  }

  protected saveCodes(): void {
    saveAsFile(`${this.codes().join('\n')}\n`, 'spare-codes.txt', 'text/plain');
  }

  private turnOff(): void {
    this.api.turnOff(this.password).subscribe({
      next: () => {
        this.cancel();
        this.notices.said('The second step is off.');
        this.changed.emit();
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
