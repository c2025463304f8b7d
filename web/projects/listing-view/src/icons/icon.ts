import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import sheet from './icons.svg' with { loader: 'file' };

/**
 * A drawn icon beside a text that says the same; hidden from screen readers. All come from one file, which browsers
 * keep, so that pages needn't carry them.
 */
@Component({
  selector: 'pl-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg aria-hidden="true"><use [attr.href]="href()" /></svg>`,
})
export class Icon {
  /** A name of the icon set; an unknown one draws nothing. */
  readonly name = input.required<string>();

  protected readonly href = computed(() => `${sheet}#${this.name()}`);
}
