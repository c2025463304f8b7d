import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, viewChildren } from '@angular/core';
import type { RangeFacetModel } from '@plindo/core/page';

const CHART_HEIGHT = 32;
/** Places at which a handle can stand. */
const STEPS = 100;

/** A range between two typed bounds, over a small chart of where the listings lie, with a handle for each end. */
@Component({
  selector: 'pl-range-facet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (facet().bounds; as bounds) {
      <svg [attr.viewBox]="'0 0 ' + facet().histogram.length + ' 32'" preserveAspectRatio="none" aria-hidden="true">
        @for (bar of bars(); track $index) {
          <rect
            [attr.x]="$index + 0.08"
            [attr.y]="32 - bar.height"
            width="0.84"
            [attr.height]="bar.height"
            [class.inside]="bar.isInside"
          />
        }
      </svg>
      @if (interactive() && facet().inputType === 'number' && bounds.from !== bounds.to) {
        <div class="handles">
          @for (end of ends(); track end.name; let at = $index) {
            <input
              type="range"
              min="0"
              [max]="STEPS"
              data-not-state
              [value]="placeOf(end)"
              [attr.aria-label]="facet().label + ', ' + end.label.toLowerCase()"
              [attr.aria-valuetext]="(end.chosen || end.outer) + ' ' + facet().unit"
              (input)="slide(at, $any($event.target))"
              (change)="settle(at)"
            />
          }
        </div>
      }
      <p class="note">{{ bounds.sentence }}</p>
    }
    <div class="ends">
      @for (end of ends(); track end.name) {
        <label>
          <span>{{ end.label }}</span>
          <input
            #typed
            [type]="facet().inputType"
            [name]="facet().key + '-' + end.name"
            [value]="end.chosen"
            [placeholder]="end.outer"
            [attr.step]="facet().inputType === 'number' ? 'any' : null"
            [attr.aria-label]="facet().label + ' ' + end.name + ' ' + facet().unit"
          />
        </label>
      }
      @if (facet().unit) {
        <span class="unit">{{ facet().unit }}</span>
      }
    </div>
  `,
  styleUrl: './span.scss',
})
export class RangeFacet {
  readonly facet = input.required<RangeFacetModel>();
  readonly interactive = input(false);

  protected readonly STEPS = STEPS;
  private readonly typed = viewChildren<ElementRef<HTMLInputElement>>('typed');

  protected readonly ends = computed(() => {
    const { from, to, bounds } = this.facet();
    return [
      { name: 'from', label: 'From', chosen: from, outer: bounds?.from ?? '' },
      { name: 'to', label: 'To', chosen: to, outer: bounds?.to ?? '' },
    ];
  });
  private readonly outer = computed(() => {
    const { bounds } = this.facet();
    return { least: Number(bounds?.from ?? 0), greatest: Number(bounds?.to ?? 0) };
  });

  /** Heights of the bars; one that has any listing can be seen. */
  protected readonly bars = computed(() => {
    const { histogram, from, to } = this.facet();
    const most = Math.max(1, ...histogram);
    const [first, last] = [from === '' ? 0 : this.shareOf(Number(from)), to === '' ? 1 : this.shareOf(Number(to))];
    return histogram.map((count, at) => ({
      height: count === 0 ? 0 : Math.max(2, (count / most) * CHART_HEIGHT),
      isInside: (at + 1) / histogram.length > first && at / histogram.length < last,
    }));
  });

  protected placeOf({ chosen, outer }: { chosen: string; outer: string }): number {
    return Math.round(this.shareOf(Number(chosen || outer)) * STEPS);
  }

  /** Shows beside the handle what it would choose; an end at the outside is open. */
  protected slide(at: number, handle: HTMLInputElement): void {
    const place = Number(handle.value);
    const other = this.typed()[1 - at]!.nativeElement.value;
    const isCrossed =
      other !== '' && (at === 0 ? this.valueAt(place) > Number(other) : this.valueAt(place) < Number(other));
    const isOutside = place === (at === 0 ? 0 : STEPS);
    const value = isCrossed ? other : isOutside ? '' : String(this.valueAt(place));
    this.typed()[at]!.nativeElement.value = value;
    handle.setAttribute('aria-valuetext', `${value || this.ends()[at]!.outer} ${this.facet().unit}`);
  }

  protected settle(at: number): void {
    this.typed()[at]!.nativeElement.dispatchEvent(new Event('change', { bubbles: true }));
  }

  private shareOf(value: number): number {
    const { least, greatest } = this.outer();
    return greatest > least ? Math.min(1, Math.max(0, (value - least) / (greatest - least))) : 0;
  }

  /** The value at a place, with about as many digits as a hundredth of the whole has. */
  private valueAt(place: number): number {
    const { least, greatest } = this.outer();
    const step = (greatest - least) / STEPS;
    const digits = Math.max(0, Math.ceil(-Math.log10(step)));
    return Number((least + step * place).toFixed(Math.min(digits, 6)));
  }
}
