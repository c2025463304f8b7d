import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { FacetModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { DatesFacet } from './dates-facet';
import { DistanceFacet } from './distance-facet';
import { RangeFacet } from './range-facet';
import { RatingFacet } from './rating-facet';
import { ValuesFacet } from './values-facet';

/** The facets of a list, as parts of a form: they work with and without JavaScript. */
@Component({
  selector: 'pl-facets',
  imports: [DatesFacet, DistanceFacet, Icon, RangeFacet, RatingFacet, ValuesFacet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './facets.html',
})
export class Facets {
  readonly facets = input.required<readonly FacetModel[]>();
  /** The id of the form that their controls are part of. */
  readonly form = input.required<string>();
  /** Whether scripts run: what needs them is shown only then. */
  readonly interactive = input(false);
  /** Titles of places that fit what was typed last. */
  readonly places = input<readonly string[]>([]);
  readonly placeTyped = output<string>();
}
