import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { FacetModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { DatesFacet } from './dates-facet';
import { DistanceFacet } from './distance-facet';
import { RangeFacet } from './range-facet';
import { RatingFacet } from './rating-facet';
import { ValuesFacet } from './values-facet';

/** The facets of a page, as parts of the form that surrounds them: they work with and without JavaScript. */
@Component({
  selector: 'pl-facets',
  imports: [DatesFacet, DistanceFacet, Icon, RangeFacet, RatingFacet, ValuesFacet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './facets.html',
})
export class Facets {
  readonly facets = input.required<readonly FacetModel[]>();
  /** Whether scripts run: what needs them is shown only then. */
  readonly interactive = input(false);
  /** Titles of places that fit what was typed last. */
  readonly places = input<readonly string[]>([]);
  readonly placeTyped = output<string>();
}
