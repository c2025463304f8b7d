import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { ElementRef } from '@angular/core';
import { viewChild } from '@angular/core';
import type { DistanceFacetModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

/** Decimals of a position in degrees: about a hundred metres, which is near enough and tells no more than needed. */
const DECIMALS = 3;

/** A place to start from, by name or by the visitor's position, and how far around it. */
@Component({
  selector: 'pl-distance-facet',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="place">
      <label>
        <span>{{ say('facet.around') }}</span>
        <input
          #place
          type="text"
          autocomplete="off"
          [placeholder]="say('facet.place')"
          [name]="facet().name"
          [attr.form]="form()"
          [value]="shown()"
          [attr.list]="facet().name + '-places'"
          [attr.aria-describedby]="note() ? facet().name + '-note' : null"
          (input)="placeTyped.emit(place.value)"
        />
      </label>
      <datalist id="{{ facet().name }}-places">
        @for (title of places(); track title) {
          <option [value]="title"></option>
        }
      </datalist>
      @if (note(); as text) {
        <p class="note" [class.wrong]="facet().isUnknown || refused()" id="{{ facet().name }}-note" role="status">
          {{ text }}
        </p>
      }
      @if (interactive()) {
        <button type="button" class="here" (click)="locate()">
          <pl-icon name="my_location" />{{ say('facet.my-position') }}
        </button>
      }
      <label>
        <span>{{ say('facet.within') }}</span>
        <select [name]="facet().name + '-within'" [attr.form]="form()">
          <option value="">{{ say('facet.any-distance') }}</option>
          @for (step of facet().steps; track step.value) {
            <option [value]="step.value" [selected]="step.chosen" [attr.selected]="step.chosen ? '' : null">
              {{ step.label }}{{ step.count === null ? '' : ' (' + step.count + ')' }}
            </option>
          }
        </select>
      </label>
    </div>
  `,
})
export class DistanceFacet {
  readonly facet = input.required<DistanceFacetModel>();
  /** The id of the form that its controls are part of. */
  readonly form = input.required<string>();
  readonly interactive = input(false);
  readonly places = input<readonly string[]>([]);
  readonly placeTyped = output<string>();
  protected readonly say = sayOnPage();

  private readonly place = viewChild.required<ElementRef<HTMLInputElement>>('place');
  protected readonly refused = signal(false);
  /** A place stands as its title, a position as it is. */
  protected readonly shown = computed(() => this.facet().title || this.facet().at);
  protected readonly note = computed(() => {
    if (this.refused()) return this.say('facet.no-position');
    const { isUnknown, at, title } = this.facet();
    if (isUnknown) return this.say('facet.no-place', { place: at });
    return at !== '' && title === '' ? this.say('facet.around-you') : '';
  });

  /** Asks the browser for the position; the visitor may say no. */
  protected locate(): void {
    this.refused.set(false);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const input = this.place().nativeElement;
        input.value = `${coords.latitude.toFixed(DECIMALS)},${coords.longitude.toFixed(DECIMALS)}`;
        input.dispatchEvent(new Event('change', { bubbles: true }));
      },
      () => this.refused.set(true),
      { maximumAge: 60_000, timeout: 10_000 },
    );
  }
}
