import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Stretch } from '@plindo/core/page';

interface Part {
  readonly text: string;
  readonly isMarked: boolean;
}

/** A text with what a search met in it marked. */
@Component({
  selector: 'pl-marked',
  changeDetection: ChangeDetectionStrategy.OnPush,
  // Elements on both sides, as white space between texts would be shown.
  template: `
    @for (part of parts(); track $index) {
      @if (part.isMarked) {
        <mark>{{ part.text }}</mark>
      } @else {
        <span>{{ part.text }}</span>
      }
    }
  `,
})
export class Marked {
  readonly text = input.required<string>();
  /** In order, not overlapping. */
  readonly marks = input<readonly Stretch[]>();

  protected readonly parts = computed(() => {
    const parts: Part[] = [];
    let end = 0;
    const take = (from: number, to: number, isMarked: boolean): void => {
      if (to > from) parts.push({ text: this.text().slice(from, to), isMarked });
    };
    for (const [from, to] of this.marks() ?? []) {
      take(end, from, false);
      take(from, to, true);
      end = to;
    }
    take(end, this.text().length, false);
    return parts;
  });
}
