import type { OnChanges, OnDestroy, SimpleChanges } from '@angular/core';
import { Directive, PLATFORM_ID, inject, input, output } from '@angular/core';
import { isPlatformServer } from '@angular/common';
import type { FacetModel } from '@plindo/core/page';
import { DrawnPlace } from '../drawn-place';
import { Facets } from './facets';

/**
 * The place of the facets of a list. Their controls are parts of a form and work as they came from the server; they are
 * asleep until they are woken, or have to say something else.
 */
@Directive({ selector: 'pl-sleeping-facets' })
export class SleepingFacets implements OnChanges, OnDestroy {
  readonly facets = input.required<readonly FacetModel[]>();
  readonly form = input.required<string>();
  readonly interactive = input(false);
  readonly places = input<readonly string[]>([]);
  readonly awake = input(false);
  readonly placeTyped = output<string>();

  private readonly place = new DrawnPlace<Facets>();
  private readonly isServer = isPlatformServer(inject(PLATFORM_ID));

  ngOnChanges({ facets }: SimpleChanges): void {
    const inputs = { facets: this.facets(), form: this.form(), interactive: this.interactive(), places: this.places() };
    if (this.isServer) this.place.element.innerHTML = this.place.htmlOf(Facets, inputs);
    else if (this.awake() || this.place.isDrawn || (facets && !this.cameFromServer(facets.firstChange))) {
      this.place.show(Facets, inputs, ({ placeTyped }) => placeTyped.subscribe((text) => this.placeTyped.emit(text)));
    }
  }

  ngOnDestroy(): void {
    this.place.destroy();
  }

  private cameFromServer(isFirst: boolean): boolean {
    return isFirst && this.place.element.firstElementChild !== null;
  }
}
