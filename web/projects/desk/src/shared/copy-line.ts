import { Clipboard } from '@angular/cdk/clipboard';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';

/** Something that is shown once, to be copied. */
@Component({
  selector: 'pl-copy-line',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <input
      class="plain-input"
      readonly
      [value]="value()"
      [attr.aria-label]="label()"
      (focus)="$any($event.target).select()"
    />
    <button matButton type="button" (click)="copy()">{{ isCopied() ? 'Copied' : 'Copy' }}</button>
  `,
  styles: `
    :host {
      display: flex;
      gap: 0.5rem;
      align-items: center;
    }
    input {
      flex: 1;
      min-inline-size: 8rem;
    }
  `,
})
export class CopyLine {
  readonly value = input.required<string>();
  readonly label = input.required<string>();
  protected readonly isCopied = signal(false);
  private readonly clipboard = inject(Clipboard);

  protected copy(): void {
    this.isCopied.set(this.clipboard.copy(this.value()));
  }
}
