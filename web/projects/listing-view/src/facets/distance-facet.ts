import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { ElementRef } from '@angular/core';
import { viewChild } from '@angular/core';
import type { DistanceFacetModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';

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
        <span>Around</span>
        <input
          #place
          type="text"
          autocomplete="off"
          placeholder="Name of a place"
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
        <button type="button" class="here" (click)="locate()"><pl-icon name="my_location" />Use my position</button>
      }
      <label>
        <span>At most</span>
        <select [name]="facet().name + '-within'" [attr.form]="form()">
          <option value="">Any distance</option>
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

  private readonly place = viewChild.required<ElementRef<HTMLInputElement>>('place');
  protected readonly refused = signal(false);
  /** A place stands as its title, a position as it is. */
  protected readonly shown = computed(() => this.facet().title || this.facet().at);
  protected readonly note = computed(() => {
    if (this.refused()) return 'Your position could not be told. Type the name of a place instead.';
    const { isUnknown, at, title } = this.facet();
    if (isUnknown) return `No place here is called “${at}”.`;
    return at !== '' && title === '' ? 'Around your position' : '';
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
