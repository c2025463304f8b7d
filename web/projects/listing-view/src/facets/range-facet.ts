import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChildren,
} from '@angular/core';
import type { RangeFacetModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

const CHART_HEIGHT = 32;
/** Places at which a handle can stand. */
const STEPS = 100;
/** A handle that is moved by keys is taken to have arrived when it rests for so long. */
const KEYS_REST_IN_MS = 300;

/** What the handles have chosen, from and to; null where what the page says holds. */
type Held = readonly [string | null, string | null];

const NOTHING_HELD: Held = [null, null];

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
              [attr.aria-label]="end.handle"
              [attr.aria-valuetext]="(end.chosen || end.outer) + ' ' + facet().unit"
              (keydown)="byKeys = true"
              (pointerdown)="byKeys = false"
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
            [name]="facet().name + '-' + end.name"
            [attr.form]="form()"
            [value]="end.chosen"
            [placeholder]="end.outer"
            [attr.step]="facet().inputType === 'number' ? 'any' : null"
            [attr.aria-label]="end.about"
          />
        </label>
      }
      @if (facet().unit) {
        <span class="unit">{{ facet().unit }}</span>
      }
    </div>
  `,
})
export class RangeFacet {
  readonly facet = input.required<RangeFacetModel>();
  /** The id of the form that its controls are part of. */
  readonly form = input.required<string>();
  readonly interactive = input(false);
  protected readonly say = sayOnPage();

  protected readonly STEPS = STEPS;
  protected byKeys = false;
  private readonly typed = viewChildren<ElementRef<HTMLInputElement>>('typed');
  /** So that a page that answers an earlier place of a handle doesn't take it back there while it is being moved. */
  private readonly held = signal(NOTHING_HELD);
  private resting: ReturnType<typeof setTimeout> | undefined;

  protected readonly ends = computed(() => {
    const { from, to, bounds, unit, label: facet } = this.facet();
    const [heldFrom, heldTo] = this.held();
    const wordsOf = (end: 'from' | 'to'): { name: string; label: string; handle: string; about: string } => ({
      name: end,
      label: this.say(`facet.${end}`),
      handle: this.say(`facet.handle-${end}`, { facet }),
      about: this.say(`facet.${end}-of`, { facet, unit }).trim(),
    });
    return [
      { ...wordsOf('from'), chosen: heldFrom ?? from, outer: bounds?.from ?? '' },
      { ...wordsOf('to'), chosen: heldTo ?? to, outer: bounds?.to ?? '' },
    ];
  });
  private readonly outer = computed(() => {
    const { bounds } = this.facet();
    return { least: Number(bounds?.from ?? 0), greatest: Number(bounds?.to ?? 0) };
  });

  constructor() {
    effect(() => {
      this.facet();
      if (this.resting === undefined) this.held.set(NOTHING_HELD);
    });
    inject(DestroyRef).onDestroy(() => clearTimeout(this.resting));
  }

  /** Heights of the bars; one that has any listing can be seen. */
  protected readonly bars = computed(() => {
    const { histogram } = this.facet();
    const most = Math.max(1, ...histogram);
    const [first, last] = this.ends().map(({ chosen, outer }) => this.shareOf(Number(chosen || outer))) as [
      number,
      number,
    ];
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
    this.held.update(([from, to]) => (at === 0 ? [value, to] : [from, value]));
  }

  /** A press of a key is a change of its own; a whole row of them is told as one. */
  protected settle(at: number): void {
    clearTimeout(this.resting);
    this.resting = setTimeout(
      () => {
        this.resting = undefined;
        this.typed()[at]!.nativeElement.dispatchEvent(new Event('change', { bubbles: true }));
      },
      this.byKeys ? KEYS_REST_IN_MS : 0,
    );
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
