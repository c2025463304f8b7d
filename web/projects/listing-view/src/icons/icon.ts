import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ICON_SET } from './icon-set';
import type { IconName } from './icon-set';

/** A drawn icon beside a text that says the same; hidden from screen readers. */
@Component({
  selector: 'pl-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg viewBox="0 -960 960 960" aria-hidden="true"><path [attr.d]="path()" /></svg>`,
  styles: `
    :host {
      display: inline-flex;
      inline-size: 1.25em;
      block-size: 1.25em;
      flex: none;
      vertical-align: -0.25em;
    }
    svg {
      inline-size: 100%;
      block-size: 100%;
      fill: currentColor;
    }
  `,
})
export class Icon {
  /** A name of the icon set; an unknown one draws nothing. */
  readonly name = input.required<string>();

  protected readonly path = computed(() => {
    const svg: string = ICON_SET[this.name() as IconName] ?? '';
    return / d="([^"]+)"/.exec(svg)?.[1] ?? '';
  });
}
