import { ChangeDetectionStrategy, Component, input, signal } from '@angular/core';
import type { FacetModel, FacetValueModel, ValuesFacetModel } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { RangeFacet } from './range-facet';

const SEARCH_INSIDE_FROM = 16;

/** The facets of a page, as parts of the form that surrounds them: it works with and without JavaScript. */
@Component({
  selector: 'pl-facets',
  imports: [Icon, RangeFacet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './facets.html',
  styleUrl: './facets.scss',
})
export class Facets {
  readonly facets = input.required<readonly FacetModel[]>();
  /** Whether scripts run: what needs them is shown only then. */
  readonly interactive = input(false);

  private readonly unfolded = signal<ReadonlySet<string>>(new Set());
  private readonly wanted = signal<ReadonlyMap<string, string>>(new Map());

  protected isLong(facet: ValuesFacetModel): boolean {
    return facet.values.length > SEARCH_INSIDE_FROM;
  }

  protected isUnfolded(facet: ValuesFacetModel): boolean {
    return !this.interactive() || this.unfolded().has(facet.key) || this.wantedIn(facet) !== '';
  }

  protected unfold(facet: ValuesFacetModel): void {
    const unfolded = new Set(this.unfolded());
    if (!unfolded.delete(facet.key)) unfolded.add(facet.key);
    this.unfolded.set(unfolded);
  }

  protected lookFor(facet: ValuesFacetModel, text: string): void {
    this.wanted.set(new Map(this.wanted()).set(facet.key, text.trim().toLowerCase()));
  }

  protected wantedIn(facet: ValuesFacetModel): string {
    return this.wanted().get(facet.key) ?? '';
  }

  /** Values outside the fold: the first ones, the chosen ones, and those that the search inside names. */
  protected isShown(facet: ValuesFacetModel, value: FacetValueModel, at: number): boolean {
    const wanted = this.wantedIn(facet);
    if (wanted !== '') return value.chosen || value.label.toLowerCase().includes(wanted);
    return at < facet.shownFirst || value.chosen || this.isUnfolded(facet);
  }
}
